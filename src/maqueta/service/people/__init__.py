"""People, classes, log-ins."""
