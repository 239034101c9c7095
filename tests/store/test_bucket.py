"""Files in a bucket, against moto's server, which speaks the S3 protocol and is not ours."""

from collections.abc import Iterator
from pathlib import Path

import boto3
import pytest
from moto.server import ThreadedMotoServer

from maqueta.store.backup import restore_backup, write_backup
from maqueta.store.bucket import BucketStore
from maqueta.store.errors import FilesAway
from maqueta.store.files import FileStore, file_store
from maqueta.store.mariadb import MariaDB
from tests.databases import own_database

_BUCKET = "s3://school/drawings"


@pytest.fixture(scope="module")
def endpoint() -> Iterator[str]:
    server = ThreadedMotoServer("127.0.0.1", 0, verbose=False)
    server.start()
    host, port = server.get_host_and_port()
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("AWS_ACCESS_KEY_ID", "a")
        patch.setenv("AWS_SECRET_ACCESS_KEY", "b")
        patch.setenv("AWS_DEFAULT_REGION", "us-east-1")
        address = f"http://{host}:{port}"
        for name in ("school", "other"):
            boto3.client("s3", endpoint_url=address).create_bucket(Bucket=name)
        yield address
    server.stop()


def bucket(endpoint: str, data: Path, address: str = _BUCKET) -> FileStore:
    return file_store(address, endpoint, data)


def test_what_one_machine_puts_another_gets(endpoint: str, tmp_path: Path) -> None:
    one, two = bucket(endpoint, tmp_path / "one"), bucket(endpoint, tmp_path / "two")
    name = one.put(b"warp")
    assert one.put(b"warp") == name, "twice is once"
    assert name == FileStore(tmp_path / "plain").put(b"warp"), "named as in a folder"
    assert two.get(name) == b"warp"
    assert two.path(name).read_bytes() == b"warp"
    assert name in list(two.names())


def test_copies_may_be_thrown_away(endpoint: str, tmp_path: Path) -> None:
    store = bucket(endpoint, tmp_path)
    name = store.put(b"weft")
    store.path(name).unlink()
    assert store.get(name) == b"weft"


def test_what_is_let_go_is_gone_for_all(endpoint: str, tmp_path: Path) -> None:
    one, two = bucket(endpoint, tmp_path / "one"), bucket(endpoint, tmp_path / "two")
    name = one.put(b"a sheet with a name on it")
    two.remove(name)
    two.remove(name)
    assert name not in list(one.names())
    with pytest.raises(FileNotFoundError):
        bucket(endpoint, tmp_path / "three").get(name)
    away = file_store(_BUCKET, "http://127.0.0.1:9", tmp_path)
    with pytest.raises(FilesAway, match="could not be taken"):
        away.remove(name)


def test_what_is_not_there_and_what_is_no_name(endpoint: str, tmp_path: Path) -> None:
    store = bucket(endpoint, tmp_path)
    with pytest.raises(FileNotFoundError):
        store.get("a" * 64)
    for name in ("../etc/passwd", "a" * 63, "A" * 64):
        with pytest.raises(ValueError, match="hash"):
            store.path(name)
    assert list(tmp_path.glob("copies/*/*")) == []


def test_a_bucket_without_a_prefix_and_one_that_is_not_there(endpoint: str, tmp_path: Path) -> None:
    plain = bucket(endpoint, tmp_path / "plain", "s3://other")
    assert list(plain.names()) == []
    name = plain.put(b"shed")
    assert list(plain.names()) == [name]
    missing = bucket(endpoint, tmp_path / "missing", "s3://nothing-of-this-name")
    with pytest.raises(FilesAway, match="nothing-of-this-name"):
        missing.put(b"shed")


def test_a_bucket_that_does_not_answer_says_so(tmp_path: Path, endpoint: str) -> None:
    away = file_store(_BUCKET, "http://127.0.0.1:9", tmp_path)
    with pytest.raises(FilesAway, match="could not be put"):
        away.put(b"shed")
    with pytest.raises(FilesAway, match="does not answer"):
        away.get("b" * 64)


@pytest.mark.parametrize("address", ["http://school/x", "s3://", "ftp://a/b"])
def test_other_addresses_are_refused(address: str, tmp_path: Path) -> None:
    with pytest.raises(ValueError, match="s3://bucket/prefix"):
        file_store(address, None, tmp_path)


def test_a_folder_is_an_address_too(tmp_path: Path) -> None:
    assert file_store(str(tmp_path / "shared"), None, tmp_path) == FileStore(tmp_path / "shared")
    assert file_store(None, None, tmp_path) == FileStore(tmp_path / "files")


def test_a_backup_of_a_bucket_goes_back_into_another(database_server: MariaDB, endpoint: str, tmp_path: Path) -> None:
    store = bucket(endpoint, tmp_path / "one", "s3://school/before")
    names = sorted(store.put(text) for text in (b"warp", b"weft"))
    assert isinstance(store, BucketStore)
    with own_database(database_server, "one_end") as before, own_database(database_server, "other_end") as after:
        before.migrate()
        assert sorted(write_backup(before.url, store, tmp_path / "b.tar.gz").files) == names
        restored = bucket(endpoint, tmp_path / "two", "s3://school/after")
        restore_backup(tmp_path / "b.tar.gz", after.url, restored)
    assert sorted(bucket(endpoint, tmp_path / "three", "s3://school/after").names()) == names
