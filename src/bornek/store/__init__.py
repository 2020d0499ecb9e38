"""What is kept: tables, queries and migrations."""
