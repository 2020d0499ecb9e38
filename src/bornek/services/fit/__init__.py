"""Fits of a job: sums laid down, heat, push, and what was really done."""
