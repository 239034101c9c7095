"""Files by content hash. A file appears whole or not at all."""

import hashlib
import os
import tempfile
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path


@dataclass(frozen=True)
class FileStore:
    """A folder of files named by the SHA-256 of their contents; several servers may share it."""

    folder: Path

    def put(self, data: bytes) -> str:
        """Keep data; returns its name."""
        name = hashlib.sha256(data).hexdigest()
        if not self._place(name).exists():
            self._written(name, data)
        return name

    def path(self, name: str) -> Path:
        """A file of this machine with the contents. Raises ValueError for anything but a hash."""
        return self._place(name)

    def get(self, name: str) -> bytes:
        """The contents. Raises FileNotFoundError."""
        return self.path(name).read_bytes()

    def remove(self, name: str) -> None:
        """Let go of a file for good, if it is there."""
        self._place(name).unlink(missing_ok=True)

    def names(self) -> Iterator[str]:
        """The names of all files, in order."""
        return (path.name for path in sorted(self.folder.glob("??/*")) if len(path.name) == 64)

    def _place(self, name: str) -> Path:
        if len(name) != 64 or not all(c in "0123456789abcdef" for c in name):
            raise ValueError("not a content hash")
        return self.folder / name[:2] / name

    def _written(self, name: str, data: bytes) -> None:
        target = self._place(name)
        target.parent.mkdir(parents=True, exist_ok=True)
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


@dataclass(frozen=True)
class StoredFile:
    """A file of a store."""

    store: FileStore
    name: str

    @property
    def path(self) -> Path:
        """A file of this machine with the contents."""
        return self.store.path(self.name)

    @property
    def files(self) -> tuple["StoredFile", ...]:
        """What has to be at hand before somebody works on it: itself."""
        return (self,)


def file_store(address: str | None, endpoint: str | None, data: Path) -> FileStore:
    """The files of a service: in its data folder, in a folder at an address, or in a bucket (`s3://bucket/prefix`).

    Raises ValueError for any other address.
    """
    if address is None or "://" not in address:
        return FileStore(Path(address) if address else data / "files")
    # Its library takes a third of a second to load.
    from maqueta.store.bucket import bucket_store

    return bucket_store(address, endpoint, data / "copies")
