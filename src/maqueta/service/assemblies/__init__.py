"""Assemblies on the shelf: put together from parts, or brought in as one file."""
