"""Signing in and out, and for the owner: people, devices, deeds."""
