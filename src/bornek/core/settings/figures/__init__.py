"""Drawings of the things that are set: where the gauge stands, what is turned."""
