"""Routes of the mesh stage."""
