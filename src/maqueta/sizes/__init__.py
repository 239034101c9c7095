"""What dimensions measure: sizes of a part, whether they are determined, how they are proposed and written."""
