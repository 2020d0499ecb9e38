"""Bevel gears: geometry of a set, where its flanks touch, and what backlash is left. A model, never a measurement."""
