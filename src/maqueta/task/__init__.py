"""What is asked of a sheet: exercise, kinds, points, thresholds, styles."""
