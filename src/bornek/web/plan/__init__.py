"""Routes of the room plan, and what they take."""
