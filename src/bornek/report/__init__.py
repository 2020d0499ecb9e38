"""The record on paper and in open formats."""
