"""What a part's drawing demands, and what a reader learns from a sheet."""
