"""Following jobs: few streams a person, one question to the database for all, and no end before the job's own."""

import asyncio
import json
from typing import Any

import pytest
from sqlalchemy.exc import OperationalError

from maqueta.service.admission import Admission
from maqueta.service.jobs import streams
from maqueta.service.jobs.messages import JobAnswer
from maqueta.service.jobs.streams import MOST_STREAMS, JobNews
from tests.own_loop import in_own_loop


class Told(JobNews):
    """News whose database is a list of what it says each time it is asked; the last goes on for ever."""

    def __init__(self, *answers: str) -> None:
        super().__init__(None, Admission())  # type: ignore[arg-type]
        self._answers = list(answers)
        self.asked: list[list[int]] = []

    def _read(self, followed: list[int]) -> dict[int, JobAnswer]:
        self.asked.append(followed)
        answer = self._answers.pop(0) if len(self._answers) > 1 else self._answers[0]
        if answer == "away":
            raise OperationalError("SELECT", {}, Exception("away"))
        state: Any = answer
        return {job: JobAnswer(id=job, state=state, progress=0.5, message=None) for job in followed}


@pytest.fixture(autouse=True)
def _quick(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(streams, "_STEP_SECONDS", 0.01)


async def heard(news: JobNews, person: int, job: int) -> list[str]:
    return [json.loads(event.removeprefix("data: "))["state"] async for event in news.follow(person, job)]


def test_each_state_is_told_once_and_the_last_one_ends_the_stream() -> None:
    news = Told("waiting", "waiting", "running", "running", "done")
    assert in_own_loop(heard(news, 1, 7)) == ["waiting", "running", "done"]
    assert news.streams == 0


def test_a_database_that_is_away_for_a_while_ends_no_stream() -> None:
    assert in_own_loop(heard(Told("running", "away", "away", "failed"), 1, 7)) == ["running", "failed"]


def test_forty_people_ask_the_database_as_often_as_one() -> None:
    news = Told(*["running"] * 10, "done")

    async def all_of_them() -> list[list[str]]:
        return list(await asyncio.gather(*(heard(news, person, 7 + person % 3) for person in range(40))))

    assert in_own_loop(all_of_them()) == [["running", "done"]] * 40
    assert len(news.asked) <= 25, "each time for all who follow, not for each of them"
    assert max(len(followed) for followed in news.asked) == 3


def test_nobody_holds_more_streams_than_may_be_though_they_are_opened_at_one_moment() -> None:
    news = Told(*["running"] * 5, "done")

    async def all_of_them() -> list[list[str]]:
        return list(await asyncio.gather(*(heard(news, 1, 7) for _ in range(45))))

    told = in_own_loop(all_of_them())
    assert sum(bool(events) for events in told) == MOST_STREAMS
    assert news.may_follow(1), "who has let go may follow again"


def test_a_client_that_leaves_is_followed_no_more() -> None:
    news = Told("running")

    async def left() -> int:
        following = asyncio.create_task(heard(news, 1, 7))
        await asyncio.sleep(0.05)
        assert news.streams == 1
        following.cancel()
        await asyncio.gather(following, return_exceptions=True)
        return news.streams

    assert in_own_loop(left()) == 0
