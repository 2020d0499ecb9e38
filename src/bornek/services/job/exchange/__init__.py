"""A job out to another yard and in from one."""
