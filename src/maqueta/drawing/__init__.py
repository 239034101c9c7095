"""From a sheet document to ink on paper: neutral strokes first, then SVG and PDF."""
