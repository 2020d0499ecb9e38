"""Routes of the room job, and what they take."""
