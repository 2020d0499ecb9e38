"""Routes of the room setting, and what they take."""
