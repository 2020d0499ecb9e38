"""Build order: what must happen before what."""
