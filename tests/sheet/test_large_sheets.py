"""The largest sheet a person may send: refused beyond its limits, and bounded in what it costs within them."""

import math
from typing import Any

import pytest
from pydantic import ValidationError

from maqueta.geometry.crossing import crossings
from maqueta.sheet import snaps
from maqueta.sheet.document import MOST_POINTS_IN_ALL, SheetDocument
from maqueta.sheet.drafted_line import DraftedLine, points_of
from maqueta.sheet.placed import placed_views
from maqueta.sheet.snaps import snaps_of
from maqueta.sheet.view import MOST_LINES, View
from tests.parts import demo_projected

PART = demo_projected("reed-clamp")


def sheet(*views: list[dict[str, Any]]) -> SheetDocument:
    made = [
        View.model_validate(
            {"id": f"v{k}", "look": {"side": "-y", "up": "+z"}, "at": (100, 100), "scale": 1.0, "lines": lines}
        )
        for k, lines in enumerate(views)
    ]
    return SheetDocument(views=tuple(made))


def line(*points: tuple[float, float], pen: str = "visible") -> dict[str, Any]:
    return {"kind": "line", "points": points, "pen": pen}


def fan(count: int, pen: str = "visible") -> list[dict[str, Any]]:
    """Lines each of which crosses all others."""
    return [line((0.0, 0.02 * k), (90.0, 90.0 - 0.021 * k), pen=pen) for k in range(count)]


def zigzag(count: int, across: bool) -> dict[str, Any]:
    places = [(90 * k / count, 40 + 40 * (k % 2)) for k in range(count)]
    return line(*[(y, x) if across else (x, y) for x, y in places])


def test_lines_of_all_views_together_are_limited() -> None:
    half = fan(MOST_LINES // 2)
    assert len(sheet(half, half).views) == 2
    with pytest.raises(ValidationError, match="at most 4,000 drafted lines"):
        sheet(half, half, fan(1))


def test_points_of_all_curves_together_are_limited() -> None:
    curves = [zigzag(2000, across=False)] * (MOST_POINTS_IN_ALL // 2000)
    assert points_of(sheet(curves).views[0].lines or ()) == MOST_POINTS_IN_ALL
    with pytest.raises(ValidationError, match="at most 20,000 points"):
        sheet(curves, [zigzag(2, across=False)])


def test_arcs_count_as_three_points() -> None:
    arc = {"kind": "arc", "centre": (0, 0), "radius": 5}
    lines = sheet([arc, line((0, 0), (1, 1))]).views[0].lines
    assert points_of(lines or ()) == 5
    assert points_of([DraftedLine(points=((0, 0), (1, 0), (2, 1)))]) == 3


@pytest.mark.parametrize(("pen", "kind"), [("visible", "end"), ("construction", "crossing")])
def test_where_everything_crosses_everything_only_so_many_crossings_are_looked_for(
    monkeypatch: pytest.MonkeyPatch, pen: str, kind: str
) -> None:
    looked = 0

    def counted(*arguments: Any) -> Any:
        nonlocal looked
        looked += 1
        return crossings(*arguments)

    monkeypatch.setattr(snaps, "crossings", counted)
    found = snaps_of(placed_views(PART, sheet(fan(1500, pen))))
    # A million pairs cross; as many as are any help are enough.
    assert looked <= 2 * snaps._MOST
    assert len(found) <= snaps._MOST
    # Ends come before crossings; construction lines have none that anybody would set a pen to.
    assert {snap.kind for snap in found} == {kind}


def test_tangled_curves_cost_no_more_than_a_bound(monkeypatch: pytest.MonkeyPatch) -> None:
    work = 0

    def counted(carrier: Any, other: Any, tolerance: float) -> Any:
        nonlocal work
        work += len(getattr(carrier, "points", (0, 0))) * len(getattr(other.carrier, "points", (0, 0)))
        return crossings(carrier, other, tolerance)

    monkeypatch.setattr(snaps, "crossings", counted)
    tangle = [zigzag(500, across=bool(k % 2)) for k in range(40)]
    assert len(snaps_of(placed_views(PART, sheet(tangle)))) <= snaps._MOST
    assert work <= snaps._MOST_WORK


def test_a_sheet_as_a_person_draws_it_has_every_crossing() -> None:
    """Forty lines in two directions: all four hundred crossings, each once and exactly where they are."""
    grid = [line((4.0 * k, -1.0), (4.0 * k, 80.0)) for k in range(20)]
    grid += [line((-1.0, 4.0 * k), (80.0, 4.0 * k)) for k in range(20)]
    found = {snap.at for snap in snaps_of(placed_views(PART, sheet(grid))) if snap.kind == "crossing"}
    expected = {(100 + 4.0 * i, 100 + 4.0 * j) for i in range(20) for j in range(20)}
    assert {(round(x, 6), round(y, 6)) for x, y in found} == expected


def test_crossings_of_lines_of_two_views_are_made_by_construction_lines_only() -> None:
    across, up = line((0.0, 5.0), (20.0, 5.0)), line((10.0, 0.0), (10.0, 20.0))
    apart = snaps_of(placed_views(PART, sheet([across], [up])))
    assert not any(snap.kind == "crossing" for snap in apart)
    thin = snaps_of(placed_views(PART, sheet([across], [{**up, "pen": "construction"}])))
    [crossing] = [snap for snap in thin if snap.kind == "crossing"]
    assert math.dist(crossing.at, (110.0, 105.0)) < 1e-9
