"""Routes of the room shop, and what they take."""
