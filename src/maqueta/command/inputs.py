"""Files named on the command line, and what to say of those that cannot be used."""

from pathlib import Path


class InputError(Exception):
    """An input cannot be used: which file, where in it, why."""


def there(path: Path) -> None:
    """Raises InputError where there is no file."""
    if not path.is_file():
        raise InputError(f"{path}: there is no such file")


def page_named(path: Path) -> tuple[Path, int]:
    """A file and the page of it that a name such as "sheets.pdf#3" means; the first page of a plain name."""
    name, _, page = path.name.rpartition("#")
    if name and page.isdecimal() and not path.is_file():
        return path.with_name(name), int(page)
    return path, 1


def bytes_of(path: Path, most: int) -> bytes:
    """A file's content, at most so many bytes. Raises InputError."""
    there(path)
    try:
        if path.stat().st_size > most:
            raise InputError(f"{path}: the file is larger than {most // 2**20} MB")
        return path.read_bytes()
    except OSError as error:
        raise InputError(f"{path}: {error.strerror}") from error
