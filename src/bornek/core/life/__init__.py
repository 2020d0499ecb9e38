"""A unit over all its jobs: what was found and left, how it wears, what came and went."""
