"""Who may sign in, from which device, and what was done by whom."""
