"""Gear trains: what every shaft does in every lever position, and what a count of turns says."""
