"""Simulated benches for training and benchmarks; randomness comes in as a seed."""
