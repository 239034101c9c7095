"""Criterion dimensions: complete, not redundant, rightly written and taken from the right places."""
