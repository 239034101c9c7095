"""Sheets the program makes: the model answer, the sheet an exercise starts from."""
