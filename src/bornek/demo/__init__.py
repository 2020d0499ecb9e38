"""The made-up yard."""
