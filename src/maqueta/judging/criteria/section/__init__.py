"""Criterion section: views that show the part cut open."""
