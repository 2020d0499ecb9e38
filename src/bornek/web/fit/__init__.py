"""Routes of the room fit, and what they take."""
