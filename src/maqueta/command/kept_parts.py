"""Parts drawn once, kept in the user's own cache, so that a pile of sheets of one part waits for the kernel once."""

import hashlib
import os
import tempfile
from contextlib import suppress
from pathlib import Path
from typing import Final

import maqueta

#: So many parts are kept; the one not asked for longest goes.
_MOST_KEPT: Final = 100
_DIGEST: Final = hashlib.sha256


def kept_at(part: Path, drawn: str = "") -> Path | None:
    """Where a part drawn by this very program is kept, whether it is there yet or not; None where nothing can be kept.

    The name holds everything its content depends on: the part's file and its kind, how it was `drawn`, and the
    program's own files.
    """
    folder = _folder()
    if folder is None:
        return None
    try:
        with part.open("rb") as file:
            content = hashlib.file_digest(file, _DIGEST).hexdigest()
    except OSError:
        return None
    name = _DIGEST(f"{content} {part.suffix.lower()} {part.stem} {drawn} {_program()}".encode()).hexdigest()
    return folder / f"{name}.part"


def kept(file: Path) -> bytes | None:
    """What `keep` wrote there, or None where nothing is there or it is damaged."""
    try:
        written = file.read_bytes()
        os.utime(file)
    except OSError:
        return None
    seal, content = written[: _DIGEST().digest_size], written[_DIGEST().digest_size :]
    return content if _DIGEST(content).digest() == seal else None


def keep(file: Path, content: bytes) -> None:
    """Keep a drawn part. A disk that takes nothing is no reason to stop: it is drawn again next time."""
    with suppress(OSError):
        file.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
        with tempfile.TemporaryDirectory(dir=file.parent) as folder:
            scratch = Path(folder) / file.name
            scratch.write_bytes(_DIGEST(content).digest() + content)
            scratch.replace(file)
        oldest_first = sorted(file.parent.glob("*.part"), key=lambda each: each.stat().st_mtime)
        for surplus in oldest_first[:-_MOST_KEPT]:
            surplus.unlink(missing_ok=True)


def _folder() -> Path | None:
    """The user's cache, as the XDG Base Directory Specification names it."""
    if named := os.environ.get("XDG_CACHE_HOME"):
        return Path(named) / "maqueta"
    try:
        return Path.home() / ".cache" / "maqueta"
    except RuntimeError:
        return None


def _program() -> str:
    """What tells one state of the program from another: its files, their sizes and when they were written."""
    root = Path(maqueta.__file__).parent
    told = sorted((str(file), file.stat().st_size, file.stat().st_mtime_ns) for file in root.rglob("*.py"))
    return _DIGEST(repr(told).encode()).hexdigest()
