"""Reads, one aggregate a file."""
