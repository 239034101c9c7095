"""Files by content hash. A file appears whole or not at all."""

import hashlib
import os
import tempfile
from pathlib import Path


class FileStore:
    """A folder of files named by the SHA-256 of their contents."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder
        folder.mkdir(parents=True, exist_ok=True)

    def put(self, data: bytes) -> str:
        """Keep data; returns its name."""
        name = hashlib.sha256(data).hexdigest()
        target = self.path(name)
        if not target.exists():
            target.parent.mkdir(exist_ok=True)
            handle, scratch = tempfile.mkstemp(dir=target.parent)
            try:
                with os.fdopen(handle, "wb") as file:
                    file.write(data)
                    file.flush()
                    os.fsync(file.fileno())
                Path(scratch).replace(target)
            except BaseException:
                Path(scratch).unlink(missing_ok=True)
                raise
        return name

    def path(self, name: str) -> Path:
        """Where a file is kept. Raises ValueError for anything but a hash."""
        if len(name) != 64 or not all(c in "0123456789abcdef" for c in name):
            raise ValueError("not a content hash")
        return self._folder / name[:2] / name

    def get(self, name: str) -> bytes:
        """The contents. Raises FileNotFoundError."""
        return self.path(name).read_bytes()
