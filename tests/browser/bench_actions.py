"""What a student does at the bench, by mouse."""

import re
from typing import Any

from playwright.sync_api import Locator, Page, expect

from maqueta.sheet.document import SheetDocument

Point = tuple[float, float]


def stage(page: Page, name: str) -> None:
    page.get_by_label("Stages").get_by_role("button", name=re.compile(rf"^\d {name}")).click()


def sheet(page: Page) -> Locator:
    return page.get_by_test_id("bench-sheet")


def on_screen(page: Page, point: Point) -> Point:
    """Where a point of the sheet (mm, y up) is on the screen."""
    return on_paper(sheet(page), point)


def on_paper(paper: Locator, point: Point) -> Point:
    """Where a point of a paper (mm, y up) is on the screen."""
    x, y = paper.evaluate(
        """(svg, [x, y]) => {
            const at = new DOMPoint(x, svg.dataset.paper.split(" ")[1] - y).matrixTransform(svg.getScreenCTM());
            return [at.x, at.y];
        }""",
        list(point),
    )
    return x, y


def box_of(page: Page, view: str) -> tuple[float, float, float, float]:
    """Left, bottom, right and top of a view's lines on the sheet, mm, once nothing is carried along any more."""
    expect(sheet(page).locator("[data-carried]")).to_have_count(0)
    left, bottom, right, top = sheet(page).evaluate(
        """(svg, id) => {
            const height = Number(svg.dataset.paper.split(" ")[1]);
            const view = svg.querySelector(`[data-role="view"][data-id="${id}"]`);
            // The rectangle by which a view is taken hold of is no part of its lines.
            const boxes = [...view.children].filter((c) => c.tagName !== "rect").map((c) => c.getBBox());
            return [
                Math.min(...boxes.map((b) => b.x)),
                height - Math.max(...boxes.map((b) => b.y + b.height)),
                Math.max(...boxes.map((b) => b.x + b.width)),
                height - Math.min(...boxes.map((b) => b.y)),
            ];
        }""",
        view,
    )
    return left, bottom, right, top


def drag(page: Page, start: Point, end: Point) -> None:
    """Take hold of what lies at a point, once the sheet has been drawn as it is, and put it down at another."""
    expect(sheet(page).locator("[data-carried]")).to_have_count(0)
    a, b = on_screen(page, start), on_screen(page, end)
    page.mouse.move(*a)
    page.mouse.down()
    page.mouse.move((a[0] + b[0]) / 2, (a[1] + b[1]) / 2, steps=4)
    page.mouse.move(*b, steps=4)
    page.mouse.up()


def click(page: Page, point: Point) -> None:
    at = on_screen(page, point)
    page.mouse.move(*at)
    page.mouse.click(*at)


def saved(page: Page) -> None:
    # Waited for, which looks for the note alone: what is expected is looked for, and the whole page is written down
    # each time it is not there yet.
    page.get_by_role("status").filter(has_text=re.compile(r"^Saved \d")).wait_for()


def look_at(page: Page, side: str) -> None:
    page.get_by_role("button", name=f"Show the {side}").click()


def at_the_bench(page: Page, exercise: str, document: SheetDocument) -> None:
    """Open an exercise of one's own list at the bench, with a sheet that was drawn before, whatever was there."""
    link = page.get_by_role("link", name=re.compile(exercise))
    address = link.get_attribute("href") or ""
    status = page.evaluate(
        """async ([exercise, document]) => {
            const { token } = await (await fetch("/api/me")).json();
            const path = `/api/exercises/${exercise}/sheet`;
            const headers = { "content-type": "application/json", "x-maqueta-token": token };
            const { revision } = await (await fetch(path)).json();
            const body = JSON.stringify({ base: revision, document });
            return (await fetch(path, { method: "PUT", headers, body })).status;
        }""",
        [int(address.split("/")[-2]), document.model_dump(mode="json")],
    )
    assert status == 200
    link.click()
    sheet(page).wait_for()


def set_exercise(page: Page, part: str, title: str, task: dict[str, Any]) -> None:
    """Set an exercise on a part for the first class, as its instructor."""
    page.evaluate(
        """async ([words, title, task]) => {
            const { token } = await (await fetch("/api/me")).json();
            const headers = { "content-type": "application/json", "x-maqueta-token": token };
            const { parts } = await (await fetch(`/api/parts?words=${encodeURIComponent(words)}`)).json();
            const part = parts.find((own) => own.name === words) ?? parts[0];
            const [{ id }] = await (await fetch("/api/classes")).json();
            const asked = { part: part.id, school_class: id, title, due_at: "2099-01-01T20:00:00Z", task };
            const answer = await fetch("/api/exercises", { method: "POST", headers, body: JSON.stringify(asked) });
            if (!answer.ok) throw new Error(await answer.text());
        }""",
        [part, title, task],
    )
