"""Plan: the build order, its findings, the bench at each step, free turns."""
