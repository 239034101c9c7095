"""Criterion assembly: its parts and its six sides; parts pulled apart, their balloons and the parts list."""
