"""Sets of sheets: what is asked of several sheets that are handed in together."""

from collections.abc import Mapping, Sequence
from typing import Annotated, Any, Final

from pydantic import Field, model_validator

from maqueta.solid.assembly import WHOLE
from maqueta.solid.recipe import Name
from maqueta.task.criteria import SET_POINTS, Criterion
from maqueta.task.exercise import Exercise

MOST_SHEETS: Final = 60
#: What every sheet of a set has of its own.
_OWN: Final = frozenset({"title", "shows", "sheets"})


class AskedSheet(Exercise):
    """One sheet of a set: what an exercise asks, `of` a part by its name, or of the whole assembly."""

    of: Name = WHOLE

    def points_of(self, criterion: Criterion) -> float:
        """Points of a criterion; those of the whole set are none of a sheet's."""
        return 0.0 if criterion == "set" else super().points_of(criterion)


class SheetSet(Exercise):
    """What is asked of a set: the sheets in their order. What the set says itself goes for all that say nothing else.

    `title` is that of the set, `points` of the criterion "set" those of all sheets together.
    """

    sheets: Annotated[tuple[AskedSheet, ...], Field(min_length=1, max_length=MOST_SHEETS)]

    @model_validator(mode="before")
    @classmethod
    def _for_all(cls, data: Any) -> Any:
        if not isinstance(data, Mapping) or not isinstance(data.get("sheets"), Sequence):
            return data
        # What the set does not know is told of the set, not of its first sheet.
        common = {key: value for key, value in data.items() if key in Exercise.model_fields and key not in _OWN}
        sheets = [_with(common, own) if isinstance(own, Mapping) else own for own in data["sheets"]]
        if any(isinstance(own, Mapping) and own.get("shows") == "parts list" for own in sheets):
            # A list on a sheet of its own is on no other, unless that is asked for.
            sheets = [{"parts_list": False, **own} if isinstance(own, Mapping) else own for own in sheets]
        return {**data, "sheets": sheets}

    def points_of(self, criterion: Criterion) -> float:
        """Points of the criterion "set"; all others are the sheets' own."""
        return self.points.get("set", SET_POINTS) if criterion == "set" else 0.0


def _with(common: Mapping[str, Any], own: Mapping[str, Any]) -> dict[str, Any]:
    """What a sheet asks with what all do; keys that hold keys are put together one by one."""
    both = {**common, **own}
    for key, value in common.items():
        if isinstance(value, Mapping) and isinstance(own.get(key), Mapping):
            both[key] = {**value, **own[key]}
    return both
