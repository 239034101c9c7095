"""Places inside, and standing aside: nobody waits for ever, whatever the order in which they come."""

import asyncio
import threading
import time

import pytest
from anyio import CapacityLimiter, to_thread

from maqueta.service.admission import Admission, FullHouseError
from tests.own_loop import in_own_loop


def test_no_more_inside_than_there_are_places() -> None:
    admission, most = Admission(places=3), 0

    async def visit() -> None:
        nonlocal most
        async with admission.place():
            most = max(most, admission.inside)
            await asyncio.sleep(0.001)

    async def crowd() -> None:
        await asyncio.gather(*(visit() for _ in range(50)))

    in_own_loop(crowd())
    assert (most, admission.inside, admission.waiting) == (3, 0, 0)


def test_too_long_a_queue_turns_people_away_at_once() -> None:
    admission = Admission(places=1, most_waiting=2)

    async def crowd() -> list[str]:
        leave = asyncio.Event()

        async def visit() -> str:
            try:
                async with admission.place():
                    await leave.wait()
            except FullHouseError:
                return "away"
            return "in"

        visits = [asyncio.create_task(visit()) for _ in range(6)]
        await asyncio.sleep(0.01)
        assert [visit.result() for visit in visits if visit.done()] == ["away"] * 3, "nobody waits to be told so"
        leave.set()
        return list(await asyncio.gather(*visits))

    assert in_own_loop(crowd()) == ["in"] * 3 + ["away"] * 3


def test_whoever_gives_up_waiting_leaves_no_gap() -> None:
    admission = Admission(places=1)

    async def crowd() -> int:
        async with admission.place():
            waiting = asyncio.create_task(admission.place().__aenter__())
            await asyncio.sleep(0.01)
            waiting.cancel()
            await asyncio.gather(waiting, return_exceptions=True)
        async with admission.place():
            return admission.inside

    assert in_own_loop(crowd()) == 1
    assert (admission.inside, admission.waiting) == (0, 0)


@pytest.mark.parametrize("threads", [12, 40])
def test_standing_aside_never_stops_the_house(threads: int) -> None:
    """Many more people than places, places than hands at work, and just enough threads for who may need one."""
    places, most_aside = 4, threads - 4
    admission = Admission(places, 1000, most_aside)
    at_work = threading.Semaphore(2)
    seen: list[int] = []

    def endpoint(number: int) -> int:
        with admission.stepped_aside(), at_work:
            time.sleep(0.001)
        seen.append(admission.aside)
        return number

    async def visit(number: int, limiter: CapacityLimiter) -> int:
        async with admission.place():
            await to_thread.run_sync(lambda: None, limiter=limiter)
            return await to_thread.run_sync(endpoint, number, limiter=limiter)

    async def crowd() -> list[int]:
        limiter = CapacityLimiter(threads)
        return list(await asyncio.wait_for(asyncio.gather(*(visit(k, limiter) for k in range(200))), 60))

    assert in_own_loop(crowd()) == list(range(200))
    assert max(seen) <= most_aside
    assert (admission.inside, admission.aside, admission.waiting) == (0, 0, 0)
