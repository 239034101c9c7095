"""How like each other two sheets of one exercise are in what nothing asks for: where things happen to stand.

Two right sheets of a part agree in its lines and sizes, and where the same help placed them. What agrees besides, to a
tenth of a millimetre, agrees by chance or because one was made after the other. The measure says how rarely by chance;
it is never more than that.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import Dimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.evened import evened
from maqueta.sheet.placed import placed_views
from maqueta.sizes.rows import rows_evened
from maqueta.task.exercise import Exercise

#: What two sheets can have in common without need.
Kind = Literal["dimension", "view", "note", "text"]
#: Places agree within a tenth of a millimetre. A hand sets a thing down somewhere within some twenty millimetres across
#: and along (common practice, no source): one chance in two hundred for a row, one in forty thousand for a place.
_STEP: Final = 0.1
_ROW_CHANCE, _PLACE_CHANCE, _TEXT_CHANCE = 1 / 200, 1 / 40_000, 1 / 200
#: Pointed out are pairs that agree in so many things, and by chance as rarely as heads forty times in a row.
LEAST_THINGS: Final = 4
LEAST_BITS: Final = 40.0

Trait = tuple[Kind, tuple[object, ...]]


@dataclass(frozen=True, slots=True)
class Likeness:
    """What two sheets have in common without need: how many things of each kind, and how rarely by chance, in bits."""

    things: Mapping[Kind, int]
    bits: float

    @property
    def striking(self) -> bool:
        """Whether it is worth a look."""
        return self.bits >= LEAST_BITS and sum(self.things.values()) >= LEAST_THINGS


def traits(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> frozenset[Trait]:
    """What of a sheet is so without need: what stands where no help would have put it, and what was typed over."""
    found: set[Trait] = set()
    own = [item for item in placed_views(projected, sheet) if item.orthographic is not None]
    helped = {d.id: d.place for d in rows_evened(sheet.dimensions, own, sheet.style == "asme")}
    level = evened(projected, sheet, exercise.angle) if own else sheet
    for view, other in zip(sheet.views, level.views, strict=True):
        if math.dist(view.at, other.at) > _STEP:
            found.add(("view", (view.kind, _round(view.at))))
    for dimension in sheet.dimensions:
        if math.dist(dimension.place, helped.get(dimension.id, dimension.place)) > _STEP:
            found.add(("dimension", (*_taken(dimension), _round(dimension.place))))
        if dimension.text is not None and "<>" not in dimension.text:
            found.add(("text", (*_taken(dimension), dimension.text)))
    found.update(("note", (note.text, _round(note.at))) for note in sheet.notes)
    return frozenset(found)


def _round(place: Sequence[float]) -> tuple[int, ...]:
    return tuple(round(along / _STEP) for along in place)


def _taken(dimension: Dimension) -> tuple[object, ...]:
    """What a dimension measures, whatever it is called."""
    told = dimension.model_dump(
        exclude={"id", "view", "place", "text", "shift", "led", "lettering", "gaps", "decimals"}
    )
    return tuple(str(value) for value in told.values())


def likeness(one: frozenset[Trait], other: frozenset[Trait], held: Mapping[Trait, int], sheets: int) -> Likeness:
    """How like two sheets are, by their traits; `held` is how many of all `sheets` of the exercise have each.

    What many have in common is rare no more: it counts by its share among the others where that is larger.
    """
    common = one & other
    things: dict[Kind, int] = {}
    bits = 0.0
    for trait in common:
        kind = trait[0]
        things[kind] = things.get(kind, 0) + 1
        share = (held[trait] - 2) / (sheets - 1)
        bits -= math.log2(max(_chance(kind), share))
    return Likeness(things, bits)


def _chance(kind: Kind) -> float:
    return {"dimension": _ROW_CHANCE, "view": _PLACE_CHANCE, "note": _PLACE_CHANCE, "text": _TEXT_CHANCE}[kind]
