"""Sheets under review: wall, table, decisions."""
