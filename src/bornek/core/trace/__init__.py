"""What a gauge's needle did over time: where it rested, what a pry or a turn was, and what may be taken of it."""
