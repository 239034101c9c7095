"""Errors that say why, to people."""

from maqueta.phrases.phrase import Phrase


class ToldError(ValueError):
    """An error that says why, to people: its reason is a phrase, its text that phrase in the usual language."""

    def __init__(self, reason: Phrase) -> None:
        super().__init__(reason)
        self.reason = reason

    def __str__(self) -> str:
        """What it says in the usual language."""
        # Catalogues are opened when something is said, not by every process that may go wrong.
        from maqueta.phrases.said import said

        return said(self.reason)
