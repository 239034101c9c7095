"""Sections and details on the bench: shown with cutting lines and labels, taken away again, there after a reload."""

from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.bench_actions import sheet, stage
from tests.browser.conftest import Open

pytestmark = pytest.mark.browser
FRONT = [[1, 0, 0], [0, 0, 1], [0, -1, 0]]
CUT = {"form": "full", "path": [[0, 22, 0], [110, 22, 0]], "across": [0, 0, 1]}
REGION = {"centre": [28.0, 8.0], "radius": 10.0}


def _view(name: str, kind: str, at: tuple[float, float], **rest: Any) -> dict[str, Any]:
    return {"id": name, "kind": kind, "look": {"frame": FRONT}, "at": at, "cut": CUT, "hidden": False, **rest}


VIEWS: list[dict[str, Any]] = [
    {"id": "v1", "look": {"side": "-y", "up": "+z"}, "at": [60.0, 170.0]},
    {"id": "v2", "look": {"side": "+z", "up": "+y"}, "parent": "v1", "at": [60.0, 90.0]},
    _view("s1", "section", (220.0, 170.0), parent="v2", letter="X", hatch={"angle": 45, "spacing": 3}),
    _view("d1", "detail", (240.0, 90.0), parent="s1", letter="Y", scale=2.0, clip=REGION),
]


def _drawn_by_request(page: Page, exercise: str) -> None:
    """A draft kept as any program may keep it."""
    document = {
        "format": 2,
        "views": VIEWS,
        "cutting_lines": [{"id": "c1", "view": "v2", "path": [[0, 22], [110, 22]], "letter": "X"}],
        "circled": [{"id": "r1", "view": "s1", "region": REGION, "letter": "Y"}],
    }
    status = page.evaluate(
        """async ([number, document]) => {
            const me = await (await fetch("/api/me")).json();
            const path = `/api/exercises/${number}/sheet`;
            const base = (await (await fetch(path)).json()).revision;
            const headers = { "content-type": "application/json", "x-maqueta-token": me.token };
            return (await fetch(path, { method: "PUT", headers, body: JSON.stringify({ document, base }) })).status;
        }""",
        [exercise, document],
    )
    assert status == 200


def test_a_section_and_its_detail_are_shown_and_taken_away(open_page: Open) -> None:
    page = open_page("rosa.quispe")
    listed = page.evaluate("async () => (await fetch('/api/exercises')).json()")
    exercise = next(e["id"] for e in listed if "Warp-beam bearing" in e["title"])
    _drawn_by_request(page, exercise)
    page.goto(f"/exercises/{exercise}/bench")
    paper = sheet(page)
    for label in ("X–X", "Y (2:1)"):
        expect(paper.get_by_text(label, exact=True)).to_be_visible()
    # At both ends of the cutting line, and at the circle.
    expect(paper.get_by_text("X", exact=True)).to_have_count(2)
    expect(paper.get_by_text("Y", exact=True)).to_have_count(1)
    stage(page, "Views")
    page.get_by_role("button", name="Take the section view away").click()
    expect(paper.get_by_text("X–X", exact=True)).to_have_count(0)
    # The circle stood on the section; the detail stands for itself now.
    expect(paper.get_by_text("Y", exact=True)).to_have_count(0)
    expect(paper.get_by_text("Y (2:1)", exact=True)).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(paper.get_by_text("X–X", exact=True)).to_be_visible()
    expect(page.get_by_text("Saved")).to_be_visible()
    page.reload()
    expect(paper.get_by_text("X–X", exact=True)).to_be_visible()
    expect(paper.get_by_text("X", exact=True)).to_have_count(2)


def test_every_stage_takes_a_sheet_with_special_views_and_its_lines_are_taken_away(open_page: Open) -> None:
    """By the pointer and the key that takes away; nothing else goes, and it is so after a reload."""
    page = open_page("maya.okonedo")
    listed = page.evaluate("async () => (await fetch('/api/exercises')).json()")
    exercise = next(e["id"] for e in listed if "Warp-beam bearing" in e["title"])
    _drawn_by_request(page, exercise)
    page.goto(f"/exercises/{exercise}/bench")
    paper = sheet(page)
    for name in ("Paper", "Front", "Views", "Lines", "Dimensions", "Title", "Looking over", "Hand in", "Lines"):
        stage(page, name)
        expect(paper.get_by_text("X–X", exact=True)).to_be_visible()
    paper.get_by_text("X", exact=True).first.click(force=True)
    page.keyboard.press("Delete")
    expect(paper.get_by_text("X", exact=True)).to_have_count(0)
    expect(paper.get_by_text("Y", exact=True)).to_have_count(1)
    expect(page.get_by_text("Saved")).to_be_visible()
    page.reload()
    expect(paper.get_by_text("Y (2:1)", exact=True)).to_be_visible()
    expect(paper.get_by_text("X", exact=True)).to_have_count(0)
