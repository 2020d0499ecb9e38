"""The inspect stage: grades, verdicts, fits, causes, orders."""
