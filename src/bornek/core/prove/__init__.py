"""The first hours of running, judged."""
