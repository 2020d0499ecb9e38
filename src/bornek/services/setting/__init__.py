"""One setting: seen, read, moved, explained, given, signed."""
