"""Jobs beside the server, and how their progress is told."""
