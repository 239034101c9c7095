"""Mistakes planted in faultless sheets, one at a time, each with the rule that must find it."""

import random
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from maqueta.geometry.carrier import Line, Similarity, line_through
from maqueta.geometry.directions import opposite
from maqueta.geometry.likeness import congruent
from maqueta.geometry.line_set import Piece
from maqueta.geometry.mirror import mirror_image, mirrored
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.arrangement import ViewName
from maqueta.projection.attitude import ATTITUDES, Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import rank
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import View
from maqueta.task.exercise import AttitudeChoice, Exercise, FrontTask
from tests.reading.dxf_writer import Drawn, drawn_lines
from tests.reading.random_parts import random_part

DRAFTER = Drafter("A. Tester", "Evening 2", "2026-11-20")
VIEWS: tuple[ViewName, ...] = ("front", "top", "right")


@dataclass(frozen=True)
class Case:
    """A part, what is asked, and a faultless sheet of it."""

    part: ProjectedPart
    task: Exercise
    sheet: SheetDocument

    @property
    def lines(self) -> list[Drawn]:
        return drawn_lines(self.part, self.sheet)


def case(seed: int) -> Case:
    """A sheet by its number: part, angle and scale follow from it."""
    rng = random.Random(seed)
    part = random_part(seed)
    best = rank(part, VIEWS, "+z")[0].attitude
    task = Exercise(
        units="mm",
        angle=rng.choice(["first", "third"]),
        paper="A2",
        views=VIEWS,
        pictorial="unwanted",
        front=FrontTask(accept=(AttitudeChoice(side=best.side, up=best.up),), natural_up="+z"),
        scale=rng.choice(["1:1", "2:1", "1:2"]),
        title_fields=("title", "drafter", "date", "scale"),
    )
    return Case(part, task, model_sheet(part, task, DRAFTER))


Sheet = tuple[SheetDocument, list[Drawn]]
Planting = Callable[[Case, random.Random], Sheet | None]


def _moved(lines: Sequence[Drawn], view: str, x: float, y: float) -> list[Drawn]:
    move = Similarity(1.0, 0.0, x, y)
    return [replace(d, piece=d.piece.moved(move)) if d.view == view else d for d in lines]


def _shifted(case: Case, view: str, x: float, y: float) -> SheetDocument:
    views = tuple(
        v.model_copy(update={"at": (v.at[0] + x, v.at[1] + y)}) if v.id == view else v for v in case.sheet.views
    )
    return case.sheet.model_copy(update={"views": views})


def _redrawn(case: Case, sheet: SheetDocument) -> Sheet:
    return sheet, drawn_lines(case.part, sheet)


def _other_angle(case: Case, _: random.Random) -> Sheet | None:
    near = 1e-4 * case.part.part.size
    asked = [view.attitude for view in case.sheet.views[1:] if view.attitude is not None]
    behind = [Attitude(opposite(a.side), a.up) for a in asked]
    pairs = zip(asked, behind, strict=True)
    if all(congruent(case.part.line_set(a.look), case.part.line_set(b.look), near) for a, b in pairs):
        # What looks the same from both ends stands right on either side.
        return None
    other = case.task.model_copy(update={"angle": "first" if case.task.angle == "third" else "third"})
    sheet = model_sheet(case.part, other, DRAFTER)
    return _redrawn(case, sheet.model_copy(update={"title": case.sheet.title}))


def _missing_view(case: Case, _: random.Random) -> Sheet:
    gone = case.sheet.views[-1].id
    sheet = case.sheet.model_copy(
        update={
            "views": case.sheet.views[:-1],
            "dimensions": tuple(d for d in case.sheet.dimensions if d.view != gone),
            "marks": tuple(m for m in case.sheet.marks if m.view != gone),
        }
    )
    return _redrawn(case, sheet)


def _off_line(case: Case, _: random.Random) -> Sheet:
    return _redrawn(case, _shifted(case, case.sheet.views[1].id, 3.0, 3.0))


def _straight(case: Case, kind: str, least: float = 8.0) -> list[Drawn]:
    return [d for d in case.lines if d.kind == kind and isinstance(d.piece.carrier, Line) and d.piece.length > least]


def _without_line(kind: str) -> Planting:
    def plant(case: Case, rng: random.Random) -> Sheet | None:
        candidates = _straight(case, kind)
        if not candidates:
            return None
        gone = rng.choice(candidates)
        return case.sheet, [d for d in case.lines if d != gone]

    return plant


def _wrong_kind(case: Case, rng: random.Random) -> Sheet | None:
    candidates = _straight(case, "hidden")
    if not candidates:
        return None
    chosen = rng.choice(candidates)
    return case.sheet, [replace(d, kind="visible") if d == chosen else d for d in case.lines]


def _displaced(case: Case, rng: random.Random) -> Sheet | None:
    inner = [d for d in _straight(case, "visible") if _alone(case, d)]
    if not inner:
        return None
    chosen = rng.choice(inner)
    nx, ny = -chosen.piece.carrier.direction[1], chosen.piece.carrier.direction[0]  # type: ignore[union-attr]
    move = Similarity(1.0, 0.0, 2.0 * nx, 2.0 * ny)
    return case.sheet, [replace(d, piece=d.piece.moved(move)) if d == chosen else d for d in case.lines]


def _alone(case: Case, line: Drawn) -> bool:
    """No other line runs beside it within 5 mm, so that its displacement cannot be taken for another's."""
    for other in case.lines:
        if other == line or other.view != line.view or not isinstance(other.piece.carrier, Line):
            continue
        gaps = [abs(_across(line.piece, end)) for end in other.piece.ends]
        if abs(gaps[0] - gaps[1]) < 0.01 and gaps[0] < 5:
            return False
    return True


def _across(piece: Piece, point: tuple[float, float]) -> float:
    dx, dy = piece.carrier.direction  # type: ignore[union-attr]
    return -point[0] * dy + point[1] * dx - piece.carrier.offset  # type: ignore[union-attr]


def _extra(case: Case, _: random.Random) -> Sheet:
    view = case.sheet.views[0].id
    own = [p for d in case.lines if d.view == view and d.kind != "centre" for p in d.piece.ends]
    left, low = min(x for x, _ in own), min(y for _, y in own)
    right, high = max(x for x, _ in own), max(y for _, y in own)
    a, b = (
        (left + 0.13 * (right - left), low + 0.17 * (high - low)),
        (left + 0.71 * (right - left), low + 0.63 * (high - low)),
    )

    carrier, reach = line_through(a, b)
    return case.sheet, [*case.lines, Drawn(view, "visible", Piece("visible", carrier, reach, (), ()))]


def _mirror(case: Case, _: random.Random) -> Sheet | None:
    view = case.sheet.views[0]
    assert view.attitude is not None
    own_lines = case.part.line_set(view.attitude.look)
    if any(
        congruent(mirror_image(own_lines), case.part.line_set(a.look), 1e-4 * case.part.part.size) for a in ATTITUDES
    ):
        # A view that looks the same in the mirror, or like another one then, is no mistake.
        return None
    at = view.at
    back, forth = Similarity(1.0, 0.0, -at[0], -at[1]), Similarity(1.0, 0.0, at[0], at[1])
    own = [p for d in case.lines if d.view == view.id for p in d.piece.ends]
    middle = min(x for x, _ in own) + max(x for x, _ in own) - 2 * at[0]
    shift = Similarity(1.0, 0.0, middle, 0.0)
    lines = [
        replace(d, piece=mirrored(d.piece.moved(back)).moved(shift).moved(forth)) if d.view == view.id else d
        for d in case.lines
    ]
    sheet = case.sheet.model_copy(update={"dimensions": tuple(d for d in case.sheet.dimensions if d.view != view.id)})
    return sheet, lines


def _stated(case: Case, _: random.Random) -> Sheet:
    title = case.sheet.title
    fields = {**title.fields, "scale": "1:5"}
    return _redrawn(case, case.sheet.model_copy(update={"title": title.model_copy(update={"fields": fields})}))


def _blank(case: Case, _: random.Random) -> Sheet:
    title = case.sheet.title
    fields = {name: text for name, text in title.fields.items() if name != "drafter"}
    return _redrawn(case, case.sheet.model_copy(update={"title": title.model_copy(update={"fields": fields})}))


def _one_view_larger(case: Case, _: random.Random) -> Sheet:
    last: View = case.sheet.views[-1]
    larger = last.model_copy(update={"scale": last.scale * (0.5 if last.scale > 0.6 else 2.0)})
    sheet = case.sheet.model_copy(
        update={
            "views": (*case.sheet.views[:-1], larger),
            "dimensions": tuple(d for d in case.sheet.dimensions if d.view != last.id),
            "marks": tuple(m for m in case.sheet.marks if m.view != last.id),
        }
    )
    return _redrawn(case, sheet)


def _linear(case: Case) -> list[LinearDimension]:
    return [d for d in case.sheet.dimensions if isinstance(d, LinearDimension)]


def _dimensions(case: Case, dimensions: Sequence[object]) -> Sheet:
    return _redrawn(case, case.sheet.model_copy(update={"dimensions": tuple(dimensions)}))


def _one_size_less(case: Case, rng: random.Random) -> Sheet:
    gone = rng.choice(_linear(case))
    return _dimensions(case, [d for d in case.sheet.dimensions if d.id != gone.id])


def _size_twice(case: Case, rng: random.Random) -> Sheet:
    size = rng.choice(_linear(case))
    away = (0.0, 6.0) if size.along == "across" else (6.0, 0.0)
    again = size.model_copy(update={"id": "again", "place": (size.place[0] + away[0], size.place[1] + away[1])})
    return _dimensions(case, [*case.sheet.dimensions, again])


def _wrong_value(case: Case, rng: random.Random) -> Sheet:
    size = rng.choice(_linear(case))
    wrong = size.model_copy(update={"text": "99.9"})
    return _dimensions(case, [wrong if d.id == size.id else d for d in case.sheet.dimensions])


def _over_border(case: Case, _: random.Random) -> Sheet:
    views = tuple(v.model_copy(update={"at": (v.at[0] - 300, v.at[1])}) for v in case.sheet.views)
    return _redrawn(case, case.sheet.model_copy(update={"views": views}))


PLANTED: dict[str, Planting] = {
    "angle.arrangement": _other_angle,
    "views.missing": _missing_view,
    "views.mirrored": _mirror,
    "alignment.offset": _off_line,
    "lines.missing-visible": _without_line("visible"),
    "lines.missing-hidden": _without_line("hidden"),
    "lines.extra": _extra,
    "lines.displaced": _displaced,
    "lines.wrong-kind": _wrong_kind,
    "scale.stated": _stated,
    "scale.mixed": _one_view_larger,
    "dimensions.undetermined": _one_size_less,
    "dimensions.repeated": _size_twice,
    "dimensions.value": _wrong_value,
    "layout.outside": _over_border,
    "title.missing": _blank,
}
#: What follows from a mistake and is told as well (a missing view takes its dimensions along).
FOLLOWS = {
    "views.missing": {"dimensions.undetermined", "dimensions.overall"},
    "views.mirrored": {"dimensions.undetermined", "dimensions.overall", "alignment.offset"},
    "scale.mixed": {"dimensions.undetermined", "dimensions.overall"},
    "dimensions.undetermined": {"dimensions.overall"},
}
