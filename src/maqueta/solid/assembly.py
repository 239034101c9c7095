"""The assembly document: which parts stand where, and how they come apart. Parts are named by keys; whoever reads the
document knows what they are.
"""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import AfterValidator, Field, model_validator

from maqueta.geometry.directions import Side, Vector
from maqueta.geometry.frame import Frame
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.solid.part import Component
from maqueta.solid.placement import Placement
from maqueta.solid.recipe import LARGEST, Name
from maqueta.solid.unit import Unit
from maqueta.strict import Strict

MOST_COMPONENTS = 200
#: What the whole of an assembly is called beside its parts.
WHOLE = "assembly"
_MOST_LEVELS = 12
Number = Annotated[float, Field(ge=-LARGEST, le=LARGEST, allow_inf_nan=False)]
Triple = tuple[Number, Number, Number]
Key = Annotated[str, Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9_.-]+$")]
Colour = Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")]


def _rigid(axes: Frame) -> Frame:
    if not Placement(axes).is_rigid:
        raise ToldError(phrase("assembly-axes"))
    return axes


class PlacedPart(Strict):
    """A component: a part, by its key, where it stands and how it is turned.

    `material` and `colour` are its own where they are not the part's; `apart` is the way it goes when the assembly is
    pulled apart; `within` are the names of the subassemblies it belongs to, outermost first.
    """

    id: Key
    name: Name
    part: Key
    material: Annotated[str, Field(max_length=80)] | None = None
    colour: Colour | None = None
    at: Triple = (0.0, 0.0, 0.0)
    axes: Annotated[tuple[Triple, Triple, Triple], AfterValidator(_rigid)] = (
        (1.0, 0.0, 0.0),
        (0.0, 1.0, 0.0),
        (0.0, 0.0, 1.0),
    )
    apart: Triple | None = None
    within: Annotated[tuple[Name, ...], Field(max_length=_MOST_LEVELS)] = ()

    @property
    def placement(self) -> Placement:
        """Where it stands."""
        return Placement(self.axes, self.at)

    def placed(self, placement: Placement) -> "PlacedPart":
        """The same component standing elsewhere. Raises pydantic.ValidationError where that is too far away."""
        return PlacedPart.model_validate(self.model_dump() | {"axes": placement.axes, "at": placement.at})


class Assembly(Strict):
    """Parts put together, in one unit."""

    format: Literal[1] = 1
    name: Name
    units: Unit = "mm"
    natural_up: Side | None = None
    components: Annotated[tuple[PlacedPart, ...], Field(min_length=1, max_length=MOST_COMPONENTS)]

    @model_validator(mode="after")
    def _told_apart(self) -> "Assembly":
        twice = [name for name, count in Counter(own.id for own in self.components).items() if count > 1]
        if twice:
            raise ToldError(phrase("assembly-twice", id=twice[0]))
        return self

    @property
    def parts(self) -> tuple[str, ...]:
        """The keys of its parts, each once, as they come first."""
        return tuple(dict.fromkeys(own.part for own in self.components))

    def component(self, own: str) -> PlacedPart:
        """A component by its id. Raises KeyError."""
        found = next((component for component in self.components if component.id == own), None)
        if found is None:
            raise KeyError(own)
        return found


@dataclass(frozen=True, slots=True)
class Overlap:
    """Two components, by their ids, that are in one place, and the volume they share, in cubed units."""

    first: str
    second: str
    volume: float


@dataclass(frozen=True, slots=True)
class Pulled:
    """A component that comes out, and the way it goes, in the assembly's unit; or that cannot, without one."""

    id: str
    way: Vector | None


@dataclass(frozen=True, slots=True)
class ListedPart:
    """A row of the parts list: a number, which part, what it is called, of what it is, and how many there are."""

    number: int
    part: str
    name: str
    material: str
    quantity: int


def parts_list(components: Sequence[Component]) -> tuple[ListedPart, ...]:
    """The parts list of components, numbered as they come first.

    Parts of one key are one row, whatever their components are called; those of another material are another row.

    >>> pin = Component("a", "Pin", "p", "steel", None, (0, 1))
    >>> hinge = Component("b", "Hinge", "h", "oak", None, (1, 1))
    >>> [(row.number, row.name, row.quantity) for row in parts_list((pin, hinge, pin))]
    [(1, 'Pin', 2), (2, 'Hinge', 1)]
    """
    count = Counter((own.part, own.material) for own in components)
    names: dict[tuple[str, str], str] = {}
    for own in components:
        names.setdefault((own.part, own.material), own.name)
    return tuple(
        ListedPart(number, part, name, material, count[part, material])
        for number, ((part, material), name) in enumerate(names.items(), 1)
    )


def row_of(components: Sequence[Component]) -> Mapping[str, ListedPart]:
    """The row of the parts list that each component belongs to, by its id."""
    rows = {(row.part, row.material): row for row in parts_list(components)}
    return {own.id: rows[own.part, own.material] for own in components}
