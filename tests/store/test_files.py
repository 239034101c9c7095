"""Files by content hash."""

from pathlib import Path

import pytest

from maqueta.store.files import FileStore


def test_same_contents_are_kept_once(tmp_path: Path) -> None:
    files = FileStore(tmp_path)
    name = files.put(b"drawing")
    assert files.put(b"drawing") == name
    assert files.get(name) == b"drawing"
    assert len([p for p in tmp_path.rglob("*") if p.is_file()]) == 1


@pytest.mark.parametrize("name", ["../../etc/passwd", "", "A" * 64, "0" * 63])
def test_only_hashes_name_files(tmp_path: Path, name: str) -> None:
    with pytest.raises(ValueError, match="hash"):
        FileStore(tmp_path).path(name)


def test_what_is_let_go_is_gone_and_may_be_let_go_again(tmp_path: Path) -> None:
    store = FileStore(tmp_path)
    name, other = store.put(b"a sheet with a name on it"), store.put(b"another")
    store.remove(name)
    store.remove(name)
    assert list(store.names()) == [other]
    with pytest.raises(ValueError, match="hash"):
        store.remove("../etc/passwd")
