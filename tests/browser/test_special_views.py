"""Sections and details on the bench: shown with cutting lines and labels, taken away again, there after a reload."""

from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.bench_actions import look_at, on_screen, saved, set_exercise, sheet, stage
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


#: The front and top view of a part that lies along x, on the middle of an A2.
BARE: list[dict[str, Any]] = [
    {"id": "v1", "look": {"side": "-y", "up": "+z"}, "at": [80.0, 120.0]},
    {"id": "v2", "look": {"side": "+z", "up": "+y"}, "parent": "v1", "at": [80.0, 250.0]},
]


def _drawn_by_request(page: Page, exercise: str) -> None:
    """A sheet with a section and a detail of it."""
    _kept(
        page,
        exercise,
        {
            "format": 2,
            "views": VIEWS,
            "cutting_lines": [{"id": "c1", "view": "v2", "path": [[0, 22], [110, 22]], "letter": "X"}],
            "circled": [{"id": "r1", "view": "s1", "region": REGION, "letter": "Y"}],
        },
    )


def _number(page: Page) -> str:
    """The exercise whose bench is open."""
    return page.url.split("/exercises/")[1].split("/")[0]


def _kept(page: Page, exercise: str, document: dict[str, Any]) -> None:
    """A draft kept as any program may keep it."""
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
    page = open_page("lena.achterberg")
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
    page = open_page("elio.marchetti")
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


def _two_views(page: Page, title: str) -> str:
    """The bench of an exercise with a front and a top view on it."""
    listed = page.evaluate("async () => (await fetch('/api/exercises')).json()")
    exercise = next(e["id"] for e in listed if title in e["title"])
    _kept(page, exercise, {"format": 2, "paper": {"size": "A2"}, "views": BARE})
    page.goto(f"/exercises/{exercise}/bench")
    stage(page, "Views")
    return str(exercise)


def _point(page: Page, *points: tuple[float, float]) -> None:
    for point in points:
        page.mouse.move(*on_screen(page, point))
        page.mouse.click(*on_screen(page, point))


def test_a_section_is_cut_set_down_and_hatched_otherwise(open_page: Open) -> None:
    """Drawn level with the hub's middle although pointed at a little beside it; arrows turned and turned back."""
    page = open_page("iker.valtierra")
    _two_views(page, "Ribbed bearing, cut open")
    paper = sheet(page)
    page.get_by_role("button", name="Cutting line").click()
    _point(page, (60.0, 275.4), (190.0, 275.2), (190.0, 275.2))
    expect(paper.get_by_text("A", exact=True)).to_have_count(2)
    page.get_by_role("button", name="Turn the arrows").click()
    page.get_by_role("button", name="Turn the arrows").click()
    page.get_by_role("button", name="full section").click()
    hung = on_screen(page, (330.0, 275.0))
    page.mouse.move(*hung)
    page.mouse.click(*hung)
    expect(paper.get_by_text("A–A", exact=True)).to_be_visible()
    drawn = paper.locator('[data-role="view"][data-id^="s"] :is(line, path, polyline)')
    hatched = drawn.count()
    page.get_by_label("Ribs, pins and shafts left whole").click()
    page.get_by_label("Hatched").click()
    expect(page.get_by_text("Saved")).to_be_visible()
    page.reload()
    expect(paper.get_by_text("A–A", exact=True)).to_be_visible()
    assert drawn.count() < hatched - 10
    saved = page.evaluate(
        "async (n) => (await (await fetch(`/api/exercises/${n}/sheet`)).json()).document", _number(page)
    )
    section = next(view for view in saved["views"] if view["kind"] == "section")
    assert {round(y, 6) for _, y, _ in section["cut"]["path"]} == {25.0}
    assert len(section["cut"]["whole"]) == 1
    assert section["hatch"] is None


def test_a_region_is_circled_and_enlarged_by_keys(open_page: Open) -> None:
    page = open_page("iker.valtierra")
    _two_views(page, "Spindle pin")
    paper = sheet(page)
    page.get_by_role("button", name="Circle a region").click()
    _point(page, (128.8, 129.4), (136.0, 129.4))
    page.get_by_role("button", name="5:1", exact=True).click()
    page.keyboard.press("Enter")
    expect(paper.get_by_text("A (5:1)", exact=True)).to_be_visible()
    page.get_by_label("Letter").fill("k")
    expect(paper.get_by_text("K (5:1)", exact=True)).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    page.get_by_role("button", name="Undo").click()
    expect(paper.get_by_text("(5:1)")).to_have_count(0)


def test_a_view_is_folded_out_along_a_slanted_edge(open_page: Open) -> None:
    page = open_page("iker.valtierra")
    exercise = _two_views(page, "Slanted seat")
    page.get_by_role("button", name="Folding line").click()
    _point(page, (90.0, 172.0), (130.0, 136.0))
    page.mouse.move(*on_screen(page, (230.0, 230.0)))
    page.mouse.click(*on_screen(page, (230.0, 230.0)))
    expect(page.get_by_role("button", name="Seen from the other side")).to_be_visible()
    expect(page.get_by_text("Saved")).to_be_visible()
    saved = page.evaluate("async (n) => (await (await fetch(`/api/exercises/${n}/sheet`)).json()).document", exercise)
    own = next(view for view in saved["views"] if view["kind"] == "auxiliary")
    _, _, towards = own["look"]["frame"]
    assert abs(towards[0] * 36 + towards[2] * 40) == pytest.approx((36**2 + 40**2) ** 0.5, rel=1e-3)


def test_the_bench_leads_to_the_true_shape_of_a_face(open_page: Open) -> None:
    """Where the exercise lets it; the face is chosen from the list as well as on the turntable."""
    task = {"paper": "A2", "aids": ["construction"], "dimensioning": {"required": False}, "pictorial": "unwanted"}
    set_exercise(open_page("ines.corvalho"), "Slanted seat", "Seat, true shape", task)
    page = open_page("elio.marchetti")
    page.get_by_role("link", name="Seat, true shape").click()
    stage(page, "Front")
    look_at(page, "−Y side")
    page.get_by_role("button", name="Take as front view").click()
    saved(page)
    stage(page, "Views")
    page.get_by_text("The true shape of a face, step by step").click()
    page.get_by_role("combobox", name="Slanted face").click()
    page.get_by_role("option").first.click()
    told = page.locator("details").get_by_role("status")
    expect(told).to_have_text("The front view shows it as an edge. Looked at square to that edge, it is in true shape.")
    page.get_by_role("button", name="Set this view down").click()
    expect(told).to_have_text("The auxiliary view shows it in true shape.")
    page.keyboard.press("Enter")
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(2)
    # Where an exercise does not say so, students find the way themselves.
    page.goto("/")
    page.get_by_role("link", name="Slanted seat").first.click()
    stage(page, "Views")
    expect(page.get_by_role("button", name="Folding line")).to_be_visible()
    expect(page.get_by_text("The true shape of a face, step by step")).to_have_count(0)
