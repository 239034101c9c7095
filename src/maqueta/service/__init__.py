"""The web service: routes, accounts, jobs, files. Nothing is computed here."""
