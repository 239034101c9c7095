"""Sheets that are handed in or come as files."""
