"""A job: received, seen, closed, recorded, exchanged."""
