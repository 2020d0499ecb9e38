"""Judging parts: what to look for, verdicts, the cause of failure, what must be ordered."""
