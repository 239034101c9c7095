"""A class at once: sixty people in the same instant, against a real server with real threads."""

import asyncio
import os
import signal
import subprocess
import time
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import httpx
import pytest

from tests.demo_world import copied_demo_world
from tests.own_loop import in_own_loop
from tests.server_process import PASSWORD, free_port, running


@dataclass
class House:
    """A server with the demo class in it."""

    data: Path
    port: int
    process: subprocess.Popen[str]

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"


@pytest.fixture(scope="module")
def house(tmp_path_factory: pytest.TempPathFactory) -> Iterator[House]:
    data, port = copied_demo_world(tmp_path_factory, tmp_path_factory.mktemp("house")), free_port()
    with running(data, port) as process:
        yield House(data, port, process)


async def entered(client: httpx.AsyncClient, login: str, password: str = PASSWORD) -> str:
    answer = await client.post("/api/log-in", json={"login": login, "password": password})
    assert answer.status_code == 200, answer.text
    return str(answer.json()["token"])


def person(address: str) -> httpx.AsyncClient:
    return httpx.AsyncClient(base_url=address, timeout=60, limits=httpx.Limits(max_connections=400))


def at_once(address: str, login: str, requests: list[tuple[str, str, Any]]) -> list[httpx.Response]:
    """Many requests of one person, all sent in the same instant."""

    async def all_of_them() -> list[httpx.Response]:
        async with person(address) as client:
            headers = {"x-maqueta-token": await entered(client, login)}
            sent = [client.request(method, path, json=body, headers=headers) for method, path, body in requests]
            return list(await asyncio.gather(*sent))

    return in_own_loop(all_of_them())


def test_two_hundred_requests_in_one_instant_are_all_answered(house: House) -> None:
    answers = at_once(house.address, "ines.corvalho", [("GET", "/api/exercises", None)] * 200)
    assert {answer.status_code for answer in answers} == {200}
    assert len({answer.headers["x-request-number"] for answer in answers}) == 200


def test_sixty_hand_ins_in_one_instant_are_one_hand_in(house: House) -> None:
    async def drawn() -> list[httpx.Response]:
        async with person(house.address) as client:
            headers = {"x-maqueta-token": await entered(client, "iker.valtierra")}
            draft = (await client.get("/api/exercises/1/sheet")).json()
            body = {"document": draft["document"], "base": draft["revision"]}
            sent = [client.post("/api/exercises/1/sheet/hand-in", json=body, headers=headers) for _ in range(60)]
            return list(await asyncio.gather(*sent))

    answers = in_own_loop(drawn())
    assert {answer.status_code for answer in answers} == {200}
    assert {answer.json()["state"] for answer in answers} == {"handed-in"}
    assert len({answer.json()["revision"] for answer in answers}) == 1, "whoever comes second changes nothing"
    assert len({answer.json()["id"] for answer in answers}) == 1


def test_first_drafts_of_two_tabs_in_one_instant_keep_one_and_tell_the_other(house: House) -> None:
    async def saved() -> list[int]:
        async with person(house.address) as client:
            headers = {"x-maqueta-token": await entered(client, "dina.farouk")}
            exercises = (await client.get("/api/exercises")).json()
            number = next(e["id"] for e in exercises if e["sheet"] is None)
            draft = (await client.get(f"/api/exercises/{number}/sheet")).json()
            body = {"document": draft["document"], "base": 0}
            sent = [client.put(f"/api/exercises/{number}/sheet", json=body, headers=headers) for _ in range(8)]
            return [answer.status_code for answer in await asyncio.gather(*sent)]

    assert sorted(in_own_loop(saved())) == [200] + [409] * 7


def test_a_crowd_logs_in_and_forty_guesses_are_six(house: House) -> None:
    async def crowd() -> list[int]:
        async with person(house.address) as client:
            body = {"login": "lena.achterberg", "password": PASSWORD}
            guess = {"login": "kemi.oduya", "password": "a wrong one"}
            sent = [client.post("/api/log-in", json=guess) for _ in range(40)]
            guesses = [answer.status_code for answer in await asyncio.gather(*sent)]
            assert sorted(guesses) == [401] * 6 + [429] * 34
            # Behind the same address sit those who know their passwords.
            return [(await client.post("/api/log-in", json=body)).status_code for _ in range(3)]

    assert in_own_loop(crowd()) == [200] * 3


def test_open_streams_stop_nobody(house: House) -> None:
    async def streamed() -> tuple[list[int], float]:
        async with person(house.address) as client:
            headers = {"x-maqueta-token": await entered(client, "ines.corvalho")}
            part = {"file": ("part.step", b"ISO-10303-21; nothing", "model/step")}
            jobs = [(await client.post("/api/parts", files=part, headers=headers)).json()["job"] for _ in range(1)]

            async def held(number: int) -> int:
                async with client.stream("GET", f"/api/jobs/{jobs[0]}/events") as stream:
                    async for _ in stream.aiter_lines():
                        pass
                    return stream.status_code

            streams = [asyncio.create_task(held(number)) for number in range(45)]
            await asyncio.sleep(0.2)
            began = time.monotonic()
            answer = await client.get("/api/exercises")
            spent = time.monotonic() - began
            assert answer.status_code == 200
            return list(await asyncio.gather(*streams)), spent

    statuses, _ = in_own_loop(streamed())
    assert set(statuses) <= {200, 429}
    assert statuses.count(200) >= 8, "nobody is refused the first few"


def test_every_answer_carries_the_careful_headers_and_every_error_its_number(house: House) -> None:
    paths = ["/%00", "/" + "a" * 5000, "/api/nothing", "/api/exercises/99999999999999999999999999", "/api/sheets/x"]
    answers = at_once(
        house.address,
        "ines.corvalho",
        [("GET", path, None) for path in [*paths, "/api/parts?offset=99999999999999999999"]],
    )
    for answer in answers:
        assert answer.status_code < 500, answer.url
        assert answer.headers["x-content-type-options"] == "nosniff"
        if answer.status_code >= 400:
            assert answer.json()["request"] == answer.headers["x-request-number"]


def test_a_stopped_server_leaves_no_process(tmp_path: Path) -> None:
    with running(tmp_path, free_port(), demo=False) as process:
        children = _descendants(process.pid)
        assert len(children) >= 3, "the database, the fork server and its processes"
    _wait_for_the_end_of(children)


def test_a_killed_server_comes_up_again_with_its_data(house: House) -> None:
    """The last one here: the house is another one afterwards."""
    before = at_once(house.address, "ines.corvalho", [("GET", "/api/exercises", None)])[0].json()
    orphans = _descendants(house.process.pid)
    os.kill(house.process.pid, signal.SIGKILL)
    house.process.wait(10)
    for _ in range(2):
        with running(house.data, house.port):
            [answer] = at_once(house.address, "ines.corvalho", [("GET", "/api/exercises", None)])
            assert answer.json() == before
    _wait_for_the_end_of(orphans)


def _wait_for_the_end_of(processes: list[int]) -> None:
    for _ in range(200):
        if all(_state(pid) == "Z" for pid in processes):
            return
        time.sleep(0.1)
    raise AssertionError([_words(pid) for pid in processes if _state(pid) != "Z"])


def _descendants(pid: int) -> list[int]:
    found = []
    for entry in Path("/proc").iterdir():
        if entry.name.isdigit():
            try:
                parent = int((entry / "stat").read_text().rpartition(")")[2].split()[1])
            except OSError:
                continue
            if parent == pid:
                found += [int(entry.name), *_descendants(int(entry.name))]
    return found


def _state(pid: int) -> str:
    try:
        return Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()[0]
    except OSError:
        return "Z"


def _words(pid: int) -> str:
    try:
        return Path(f"/proc/{pid}/cmdline").read_bytes().decode(errors="replace")
    except OSError:
        return ""
