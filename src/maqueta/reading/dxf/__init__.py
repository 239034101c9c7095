"""DXF files: from entities to strokes and words."""
