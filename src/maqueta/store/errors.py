"""What a repository may answer instead of a record."""


class NotVisible(Exception):  # noqa: N818  (it is an answer, not a fault)
    """There is no such thing, or this account may not know of it: both are told alike."""


class OutOfDate(Exception):  # noqa: N818
    """Somebody else changed the record since it was read."""

    def __init__(self, revision: int) -> None:
        super().__init__(f"the record is at revision {revision}")
        self.revision = revision


class FilesAway(Exception):  # noqa: N818
    """The place where files are kept does not answer, or does not let us in; the message is one clear line."""


class AlreadyAnonymous(Exception):  # noqa: N818
    """A person about whom nothing is known any more."""
