"""One module per criterion, or a folder where it is large: its rules and its checks."""
