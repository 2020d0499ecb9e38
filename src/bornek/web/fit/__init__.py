"""Routes of the room inspect, and what they take."""
