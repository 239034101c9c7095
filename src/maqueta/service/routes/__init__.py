"""One module per area of the interface."""
