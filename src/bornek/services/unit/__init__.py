"""A unit over all its jobs: what it owes, its life."""
