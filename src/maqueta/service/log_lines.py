"""Log records as lines of JSON."""

import json
import logging
from datetime import UTC, datetime


class LogLine(logging.Formatter):
    """One line a record: when, what, and the fields that came with it; where something failed, how."""

    def format(self, record: logging.LogRecord) -> str:
        """The line."""
        at = datetime.fromtimestamp(record.created, UTC).isoformat(timespec="milliseconds")
        line = {"at": at, "level": record.levelname.lower(), "what": record.getMessage()}
        line |= getattr(record, "fields", {})
        if record.exc_info:
            line["trace"] = self.formatException(record.exc_info)
        return json.dumps(line, ensure_ascii=False)
