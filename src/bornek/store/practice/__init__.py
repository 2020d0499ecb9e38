"""What learners practised, in a file of its own beside the yard's, and each rig's yard beside that."""
