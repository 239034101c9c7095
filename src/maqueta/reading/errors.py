"""What can be wrong with a file from elsewhere."""


class UnreadableSheetError(Exception):
    """A file that is no usable sheet; the message is one line for people."""
