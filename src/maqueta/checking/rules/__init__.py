"""The rules of the catalogue, by what they are about."""
