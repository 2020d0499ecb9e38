"""What is written down about a job besides readings: one file a fact, found by its @register_fact."""
