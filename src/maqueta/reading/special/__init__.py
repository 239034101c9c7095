"""Sections, details and auxiliary views of sheets from elsewhere: what says so, and what they show."""
