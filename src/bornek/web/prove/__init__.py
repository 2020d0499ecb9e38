"""Routes of the last look."""
