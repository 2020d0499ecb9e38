"""Rigs to practise on: each a yard of its own, on the same services and pages as the real one."""
