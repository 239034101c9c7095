"""SVG files: from elements to strokes and words."""
