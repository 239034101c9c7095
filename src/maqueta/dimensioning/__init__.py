"""What dimensions measure, and whether a sheet's dimensions determine the part exactly once."""
