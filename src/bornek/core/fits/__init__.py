"""Fits that are made by force, heat, cold or torque: one question a file."""
