"""Work on its way through a queue: packed, and sealed with a key that only the service and its workers know.

Whoever can write into the queue but does not have the key, which is kept in the database, cannot have anything run.
Files are not sent along: each side has its own way to them.
"""

import base64
import binascii
import hashlib
import hmac
import io
import pickle
from pathlib import Path
from typing import Any, Final

import maqueta
from maqueta.store.files import FileStore

_DIGEST: Final = hashlib.sha256
_SEAL_BYTES: Final = 32
_FILES: Final = "files"


def _source_digest() -> bytes:
    """What the package's own code is: both sides must be of one version, since what is packed are its types."""
    whole = _DIGEST()
    for path in sorted(Path(maqueta.__file__).parent.rglob("*.py")):
        whole.update(path.read_bytes())
    return whole.digest()


_VERSION: Final = _source_digest()


class SealError(Exception):
    """Something that was not sealed by this service, or by another version of it."""


class _Packer(pickle.Pickler):
    def persistent_id(self, thing: Any) -> str | None:
        return _FILES if isinstance(thing, FileStore) else None


class _Unpacker(pickle.Unpickler):
    def __init__(self, data: bytes, files: FileStore) -> None:
        super().__init__(io.BytesIO(data))
        self._files = files

    def persistent_load(self, which: str) -> FileStore:
        if which != _FILES:
            raise pickle.UnpicklingError("only files are left out of a packet")
        return self._files


def _seal(key: bytes, data: bytes) -> bytes:
    return hmac.new(key, _VERSION + b"\0" + data, _DIGEST).digest()


def sealed(key: bytes, thing: Any) -> str:
    """Something as text that `opened` reads on the other side."""
    packed = io.BytesIO()
    _Packer(packed, pickle.HIGHEST_PROTOCOL).dump(thing)
    data = packed.getvalue()
    return base64.b64encode(_seal(key, data) + data).decode()


def opened(key: bytes, text: str | bytes, files: FileStore) -> Any:
    """What was sealed, with the files of this side. Nothing is unpacked before the seal has been checked.

    Raises SealError.
    """
    try:
        whole = base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError) as error:
        raise SealError("it is not sealed") from error
    seal, data = whole[:_SEAL_BYTES], whole[_SEAL_BYTES:]
    if not hmac.compare_digest(seal, _seal(key, data)):
        raise SealError("the seal is not ours, or that of another version")
    return _Unpacker(data, files).load()
