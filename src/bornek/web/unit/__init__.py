"""Routes of a unit over all its jobs."""
