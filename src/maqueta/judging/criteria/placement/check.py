"""Criterion placement: can the dimensions be read without losing one's way?"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import combinations
from typing import Final

from maqueta.drawing.ink import Text, text_corners
from maqueta.geometry.box import Box, box_of
from maqueta.judging.criteria.placement.rules import RULES
from maqueta.judging.dimension_survey import DimensionSurvey, dimension_place
from maqueta.judging.finding import Finding, Parameter
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.placed import PlacedView

#: Lengths and levels on paper closer than this are one (mm).
_SAME: Final = 0.5
#: A dimension line this far within the outline lies on the view (mm).
_WITHIN: Final = 1.0


@dataclass(frozen=True, slots=True)
class _Row:
    """A dimension line across or up the sheet, mm: its span, its level, and on which side of the view it stands.

    `index` is 0 for lines across, 1 for lines up; `side` −1 below or left of the view, 1 above or right, 0 upon it;
    `off` the distance from the outline.
    """

    dimension: LinearDimension
    item: PlacedView
    index: int
    low: float
    high: float
    level: float
    side: int
    off: float
    #: Where its extension lines begin: (place along the line, level), low end first.
    feet: tuple[tuple[float, float], tuple[float, float]]

    @property
    def length(self) -> float:
        return self.high - self.low


def check_placement(dimensions: DimensionSurvey) -> list[Finding]:
    """`placement.order`, `.spacing`, `.on-part`, `.crossing` and `.overlap`."""
    rows = list(_rows(dimensions))
    return [
        *_order(dimensions, rows),
        *_spacing(dimensions, rows),
        *_on_part(dimensions, rows),
        *_crossing(dimensions, rows),
        *_overlap(dimensions),
    ]


def _rows(dimensions: DimensionSurvey) -> Iterator[_Row]:
    for dimension in dimensions.survey.sheet.dimensions:
        item = dimensions.survey.by_id[dimension.view]
        if not isinstance(dimension, LinearDimension) or item.orthographic is None or dimension.along == "aligned":
            continue
        index = 0 if dimension.along == "across" else 1
        level = item.view.at[1 - index] + dimension.place[1 - index]
        ends = sorted((p[index], p[1 - index]) for p in (item.to_sheet(dimension.start), item.to_sheet(dimension.end)))
        near, far = item.box[1 - index], item.box[3 - index]
        side = -1 if level <= near else 1 if level >= far else 0
        off = near - level if side < 0 else level - far
        yield _Row(dimension, item, index, ends[0][0], ends[1][0], level, side, off, (ends[0], ends[1]))


def _one(
    dimensions: DimensionSurvey, rule: str, variant: str, row: _Row, other: _Row | None = None, least: float = 0.0
) -> Finding:
    involved = [row] if other is None else [row, other]
    parameters: dict[str, Parameter] = {
        "text": dimensions.text(row.dimension),
        "name": dimensions.survey.name(row.item),
        "distance": abs(row.off),
        "least": least,
    }
    if other is not None:
        parameters |= {"other": dimensions.text(other.dimension), "distance": abs(row.level - other.level)}
    return RULES.found(
        rule,
        views=tuple(dict.fromkeys(entry.dimension.view for entry in involved)),
        at=tuple(dimension_place(entry.item, entry.dimension) for entry in involved),
        parameters=parameters,
        variant=variant,
        items=tuple(entry.dimension.id for entry in involved),
    )


def _beside(rows: Sequence[_Row]) -> Iterator[tuple[_Row, _Row]]:
    """Pairs on one side of one view that run past each other, the nearer to the view first."""
    for a, b in combinations(rows, 2):
        together = a.dimension.view == b.dimension.view and a.index == b.index and a.side == b.side != 0
        if together and min(a.high, b.high) - max(a.low, b.low) > _SAME and abs(a.off - b.off) > _SAME:
            yield (a, b) if a.off < b.off else (b, a)


def _order(dimensions: DimensionSurvey, rows: Sequence[_Row]) -> Iterator[Finding]:
    """Each shorter dimension that stands outside a longer one, once."""
    seen: set[str] = set()
    for inner, outer in _beside(rows):
        if outer.length < inner.length - _SAME and outer.dimension.id not in seen:
            seen.add(outer.dimension.id)
            yield _one(dimensions, "placement.order", "", outer, inner)


def _spacing(dimensions: DimensionSurvey, rows: Sequence[_Row]) -> Iterator[Finding]:
    """Rows too near to the outline or to each other; one finding of each kind for each side of a view."""
    limits = dimensions.survey.exercise.thresholds
    told: set[tuple[object, ...]] = set()
    for row in rows:
        key = ("first", row.dimension.view, row.index, row.side)
        if row.side != 0 and row.off < limits.first_row_mm - _SAME and key not in told:
            told.add(key)
            yield _one(dimensions, "placement.spacing", "first", row, None, limits.first_row_mm)
    for inner, outer in _beside(rows):
        key = ("next", outer.dimension.view, outer.index, outer.side)
        if outer.off - inner.off < limits.next_row_mm - _SAME and key not in told:
            told.add(key)
            yield _one(dimensions, "placement.spacing", "next", outer, inner, limits.next_row_mm)


def _on_part(dimensions: DimensionSurvey, rows: Sequence[_Row]) -> Iterator[Finding]:
    """Dimension lines laid over a view that has room for them outside."""
    room = dimensions.survey.exercise.thresholds.first_row_mm
    border = dimensions.survey.layout.border
    for row in rows:
        near, far = row.item.box[1 - row.index], row.item.box[3 - row.index]
        upon = near + _WITHIN < row.level < far - _WITHIN
        beyond = max(near - border[1 - row.index], border[3 - row.index] - far)
        if row.side == 0 and upon and beyond >= 2 * room:
            yield _one(dimensions, "placement.on-part", "", row)


def _crossing(dimensions: DimensionSurvey, rows: Sequence[_Row]) -> Iterator[Finding]:
    """Dimension lines that another dimension or extension line runs through."""
    for a, b in combinations(rows, 2):
        if a.index != b.index and _within(a.level, b.low, b.high) and _within(b.level, a.low, a.high):
            yield _one(dimensions, "placement.crossing", "", a, b)
        elif _extension_through(a, b):
            yield _one(dimensions, "placement.crossing", "extension", a, b)
        elif _extension_through(b, a):
            yield _one(dimensions, "placement.crossing", "extension", b, a)


def _within(value: float, low: float, high: float) -> bool:
    return low + _SAME < value < high - _SAME


def _extension_through(row: _Row, other: _Row) -> bool:
    """Whether an extension line of `other` runs through the dimension line of `row`."""
    for along, foot in other.feet:
        low, high = sorted((foot, other.level))
        if other.index == row.index and _within(along, row.low, row.high) and _within(row.level, low, high):
            return True
    return False


def _overlap(dimensions: DimensionSurvey) -> Iterator[Finding]:
    """Texts over texts. Sheets from elsewhere do not say where exactly their texts stand, so they are left out."""
    survey = dimensions.survey
    texts: list[tuple[str, str, Box, str]] = []
    for group in survey.ink:
        if group.role != "dimension" or group.owner is None or survey.by_id[group.owner].view.lines is not None:
            continue
        texts += [(group.id, group.owner, box_of(text_corners(i)), i.text) for i in group.items if isinstance(i, Text)]
    for (first, view, a, text), (second, other_view, b, other) in combinations(texts, 2):
        if min(a[2], b[2]) - max(a[0], b[0]) > _SAME and min(a[3], b[3]) - max(a[1], b[1]) > _SAME:
            yield RULES.found(
                "placement.overlap",
                views=tuple(dict.fromkeys((view, other_view))),
                at=tuple(((box[0], box[1]), (box[2], box[1]), (box[2], box[3]), (box[0], box[3])) for box in (a, b)),
                parameters={"text": text, "other": other, "name": survey.names[view]},
                items=(first, second),
            )
