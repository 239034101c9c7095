"""UTC time, as the database keeps it: naive, in UTC, to the second."""

from datetime import UTC, datetime


def now() -> datetime:
    """The current time in UTC, without microseconds and without a zone mark."""
    return datetime.now(UTC).replace(tzinfo=None, microsecond=0)
