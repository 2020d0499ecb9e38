"""Who may do what, and what a secret must be."""
