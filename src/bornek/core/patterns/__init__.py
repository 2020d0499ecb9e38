"""Patterns from which a unit type is begun: definitions of the usual machines, with a few questions."""
