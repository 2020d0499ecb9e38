"""The yard's unit types, one a file. All invented."""
