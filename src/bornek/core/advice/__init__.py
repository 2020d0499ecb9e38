"""From readings and a drawer of shims to the next move."""
