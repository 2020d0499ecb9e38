"""The last look, run-in and release."""
