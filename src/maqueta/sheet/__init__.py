"""The sheet document: paper, views, lines, dimensions, marks, title block; scales and spacing."""
