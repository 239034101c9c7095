"""What is said to people: kinds with measured values, and one catalogue of sentences per language."""
