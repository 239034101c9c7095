"""What can be wrong with a file from elsewhere."""

from maqueta.phrases.told import ToldError


class UnreadableSheetError(ToldError):
    """A file that is no usable sheet, and why."""
