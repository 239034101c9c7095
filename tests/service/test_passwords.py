"""Passwords: looked at a few at a time, given for one log-in, and guessed at leisure nowhere."""

import asyncio
import re
import threading
from typing import Any

import pytest
from argon2 import extract_parameters

from maqueta.service.admission import FullHouseError
from maqueta.service.people import passwords
from maqueta.service.people.passwords import NOBODY, PasswordDesk, hashed, matches, one_time
from tests.own_loop import in_own_loop
from tests.world import LogIn


def test_a_password_is_kept_so_that_only_itself_matches() -> None:
    kept = hashed("warp-and-weft")
    assert "warp" not in kept
    assert matches(kept, "warp-and-weft")
    assert not matches(kept, "warp-and-weft ")
    assert not matches("no hash at all", "warp-and-weft")


def test_what_is_looked_at_for_nobody_takes_as_long_as_anybodys() -> None:
    """Else how long a refusal takes would tell which log-in names there are."""
    assert extract_parameters(NOBODY) == extract_parameters(hashed("warp-and-weft"))
    assert not matches(NOBODY, "")


def test_two_passwords_are_looked_at_together_and_no_more(monkeypatch: pytest.MonkeyPatch) -> None:
    lock, now, most = threading.Lock(), 0, 0

    def slow(*_: Any) -> bool:
        nonlocal now, most
        with lock:
            now += 1
            most = max(most, now)
        threading.Event().wait(0.005)
        with lock:
            now -= 1
        return True

    monkeypatch.setattr(passwords, "matches", slow)
    desk = PasswordDesk()

    async def crowd() -> list[bool]:
        return list(await asyncio.gather(*(desk.matches("", "") for _ in range(40))))

    assert in_own_loop(crowd()) == [True] * 40
    assert most == 2
    desk.close()


def test_too_long_a_line_is_turned_away_at_once(monkeypatch: pytest.MonkeyPatch) -> None:
    held = threading.Event()
    monkeypatch.setattr(passwords, "_MOST_WAITING", 3)
    monkeypatch.setattr(passwords, "matches", lambda *_: held.wait(20))
    desk = PasswordDesk()

    async def crowd() -> list[object]:
        waiting = [asyncio.create_task(desk.matches("", "")) for _ in range(5)]
        done, _ = await asyncio.wait(waiting, return_when=asyncio.FIRST_EXCEPTION)
        assert len(done) == 2
        held.set()
        return list(await asyncio.gather(*waiting, return_exceptions=True))

    found = in_own_loop(crowd())
    assert [type(one) for one in found] == [bool] * 3 + [FullHouseError] * 2
    desk.close()


def test_passwords_for_one_log_in_are_readable_and_never_the_same() -> None:
    given = {one_time() for _ in range(500)}
    assert len(given) == 500
    for password in given:
        assert re.fullmatch(r"([a-z2-9]{5}-){2}[a-z2-9]{5}", password)
        assert not set("ilo01") & set(password), "nobody mistakes one letter for another"


def test_an_open_page_is_no_place_to_guess_at_leisure(log_in: LogIn) -> None:
    admin = log_in("otto.brandt")
    new = {"login": "open.page", "name": "Open Page", "role": "student", "password": "loom-and-shuttle"}
    admin.send("POST", "/api/people", json=new)
    page = log_in("open.page")
    guesses = [{"old": f"guess number {k}", "new": "warp-and-weft-77"} for k in range(8)]
    statuses = [page.status("POST", "/api/me/password", json=guess) for guess in guesses]
    assert statuses == [403] * 6 + [429] * 2
    right = {"old": "loom-and-shuttle", "new": "warp-and-weft-77"}
    assert page.status("POST", "/api/me/password", json=right) == 429, "whoever it is waits, or is let in again"
    person = next(p["id"] for p in admin.get("/api/people") if p["login"] == "open.page")
    admin.send("POST", f"/api/people/{person}/unlock")
    assert page.status("POST", "/api/me/password", json=right) == 200
