"""The unit drawn in schematic section from its definition."""
