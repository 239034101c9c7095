"""What the command line does with files, each half in the process that needs it."""
