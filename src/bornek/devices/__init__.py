"""Gauges that talk: one protocol, the serial line behind it, and a simulated one that ships with the application."""
