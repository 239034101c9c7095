"""Sheets of an assembly's single parts: parts pulled apart, balloons, parts lists."""
