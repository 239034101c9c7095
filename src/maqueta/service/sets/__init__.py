"""Sets: several exercises whose sheets belong together."""
