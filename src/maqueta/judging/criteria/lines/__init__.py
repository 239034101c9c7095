"""Criterion lines: every line that should be there, and no other."""
