"""Sheet forms: a school's borders and title blocks."""
