"""Maqueta: checks technical drawings exactly against the solid part."""
