"""PDF files: from page descriptions to strokes and words."""
