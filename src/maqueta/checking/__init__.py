"""One module per criterion, the catalogue of rules, the report and the marks."""
