"""Exercises: setting, listing, variations."""
