"""What travels through the queue: read only by who has the key, and nothing of it is run before."""

import base64
import pickle
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.phrases.phrase import phrase
from maqueta.service.desk_work import Desk, RefusedError
from maqueta.service.queue import sealed as module
from maqueta.service.queue.sealed import SealError, opened, sealed
from maqueta.service.shelf.kernel_work import PartSource
from maqueta.solid.errors import FeatureError
from maqueta.store.database import Database
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.keys import shared_key
from maqueta.task.exercise import Exercise

KEY, OTHER = b"k" * 32, b"o" * 32
HERE, THERE = FileStore(Path("/here")), FileStore(Path("/there"))
TOUCHED: list[str] = []


def touch(word: str) -> str:
    TOUCHED.append(word)
    return word


class Trap:
    """Does something as soon as it is unpacked."""

    def __reduce__(self) -> tuple[object, tuple[str]]:
        return touch, ("unpacked",)


@given(
    st.recursive(st.none() | st.integers() | st.text() | st.binary(), lambda inner: st.lists(inner) | st.tuples(inner))
)
def test_what_is_sealed_is_opened_as_it_was(thing: object) -> None:
    assert opened(KEY, sealed(KEY, thing), HERE) == thing


@given(st.integers(min_value=0), st.integers(min_value=0, max_value=7))
def test_whatever_is_changed_on_the_way_is_not_taken(place: int, bit: int) -> None:
    whole = bytearray(base64.b64decode(sealed(KEY, ["some", "work"])))
    whole[place % len(whole)] ^= 1 << bit
    with pytest.raises(SealError):
        opened(KEY, base64.b64encode(whole), HERE)


@pytest.mark.parametrize(
    "text", ["", "no base64 at all", "!!!!", base64.b64encode(b"short").decode(), base64.b64encode(b"x" * 200).decode()]
)
def test_what_was_never_sealed_is_not_taken(text: str) -> None:
    with pytest.raises(SealError):
        opened(KEY, text, HERE)


def test_nothing_is_unpacked_before_the_seal_is_checked() -> None:
    TOUCHED.clear()
    data = pickle.dumps(Trap())
    for forged in (base64.b64encode(bytes(32) + data).decode(), sealed(OTHER, Trap())):
        with pytest.raises(SealError):
            opened(KEY, forged, HERE)
    assert TOUCHED == []
    opened(KEY, sealed(KEY, Trap()), HERE)
    assert TOUCHED == ["unpacked"], "the trap is one"


def test_what_another_version_sealed_is_not_taken(monkeypatch: pytest.MonkeyPatch) -> None:
    packet = sealed(KEY, "work")
    monkeypatch.setattr(module, "_VERSION", b"0.0.0")
    with pytest.raises(SealError, match="another version"):
        opened(KEY, packet, HERE)


def test_files_are_those_of_the_side_that_opens() -> None:
    desk = Desk(StoredFile(HERE, "a" * 64), PartSource(StoredFile(HERE, "b" * 64), "bracket.step"), Exercise(), True)
    packet = sealed(KEY, (desk, HERE))
    assert b"/here" not in base64.b64decode(packet)
    found, files = opened(KEY, packet, THERE)
    assert (found.part, found.source.file, files) == (StoredFile(THERE, "a" * 64), StoredFile(THERE, "b" * 64), THERE)
    assert (found.task, found.student) == (desk.task, True)


@pytest.mark.parametrize(
    "error",
    [RefusedError(409, phrase("no-front-yet")), FeatureError("bore", 3, phrase("nothing-left")), TimeoutError()],
)
def test_refusals_arrive_whole(error: Exception) -> None:
    found = opened(KEY, sealed(KEY, error), HERE)
    assert type(found) is type(error)
    assert (str(found), vars(found)) == (str(error), vars(error))


def test_all_who_ask_for_the_key_get_the_same(database: Database) -> None:
    def asked(_: int) -> bytes:
        with database.transaction() as session:
            return shared_key(session, "tests")

    with ThreadPoolExecutor(6) as together:
        keys = set(together.map(asked, range(24)))
    assert len(keys) == 1
    assert len(keys.pop()) == 32
    with database.transaction() as session:
        assert shared_key(session, "another") != shared_key(session, "tests")
