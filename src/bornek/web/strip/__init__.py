"""Routes of the room strip, and what they take."""
