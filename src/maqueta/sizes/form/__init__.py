"""The form of a part as unknowns and equations."""
