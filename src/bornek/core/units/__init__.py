"""Unit types: what a unit is made of, checked, and which limits apply to one machine."""
