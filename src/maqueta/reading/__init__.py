"""Sheets from elsewhere: a file → strokes, words and sizes → views of the part → a sheet document."""
