"""Loaded before processes at work are made, so that each of them has the catalogues of all languages to begin with."""

from maqueta.phrases.said import LANGUAGES, bundle

for _language in LANGUAGES:
    bundle(_language)
