"""A solid part as plain data: what the checks know of it, without the geometry kernel.

Model space is right-handed, Z up, in the part's own unit. Directions are unit vectors.
"""

from dataclasses import dataclass, field
from typing import Literal

from maqueta.geometry.directions import Axis, Vector
from maqueta.solid.unit import Unit

FaceKind = Literal["plane", "cylinder", "cone", "sphere", "torus", "other"]
EdgeKind = Literal["line", "circle", "ellipse", "other"]
RoundKind = Literal["hole", "boss", "counterbore", "countersink"]


@dataclass(frozen=True, slots=True)
class Face:
    """One face.

    `direction` is the outward normal of a plane, otherwise the axis of revolution; `point` lies on the
    plane or on the axis. `span` is the angle (radians) a face of revolution covers, `reach` the first and
    last coordinate along the axis, measured from `point`. `hollow` tells that material is outside the
    surface (a hole), `edges` are indices into `Part.edges`. `minor` is the radius of a torus' tube, `angle` half the
    angle of a cone, radians; both are 0 elsewhere.
    """

    kind: FaceKind
    point: Vector
    direction: Vector
    radius: float
    area: float
    hollow: bool
    span: float
    reach: tuple[float, float]
    edges: tuple[int, ...]
    minor: float = 0.0
    angle: float = 0.0


@dataclass(frozen=True, slots=True)
class Edge:
    """One edge between at most two faces.

    For a circle `centre`, `axis` and `radius` are set. `smooth` tells that its two faces run into each other
    without a corner, `seam` that it only closes a surface of revolution on itself. `samples` are points along
    the curve: its two ends for a line.
    """

    kind: EdgeKind
    start: Vector
    end: Vector
    centre: Vector
    axis: Vector
    radius: float
    length: float
    smooth: bool
    seam: bool
    faces: tuple[int, ...]
    samples: tuple[Vector, ...]

    @property
    def closed(self) -> bool:
        """Whether the edge ends where it starts."""
        return sum((a - b) ** 2 for a, b in zip(self.start, self.end, strict=True)) < 1e-18 * (1 + self.length) ** 2


@dataclass(frozen=True, slots=True)
class Feature:
    """A recognised round feature along one of the axes: a hole, a boss, or the wide mouth of a hole.

    `at` holds the two coordinates square to `axis`, in the order x, y, z; `depth` runs along the axis. `angle` is the
    angle between the sides of a countersink, in degrees; its diameter is the one at its mouth.
    """

    kind: RoundKind
    through: bool
    diameter: float
    depth: float
    axis: Axis
    at: tuple[float, float]
    faces: tuple[int, ...]
    angle: float = 0.0


@dataclass(frozen=True, slots=True)
class UncutMark:
    """What an instructor says of the rib with a flank `face`, or of the body that has it: left whole where it is cut
    lengthwise, or cut although it looks like a rib or a pin."""

    face: int
    of: Literal["rib", "body"]
    whole: bool


@dataclass(frozen=True, slots=True)
class Component:
    """One part of an assembly, as it stands there. Equal ones have the same `part`, a key of whoever put it together.

    `faces` are the first and the number of its faces in `Part.faces`; `apart` is the way it goes when the assembly is
    pulled apart, None where it stays.
    """

    id: str
    name: str
    part: str
    material: str
    colour: str | None
    faces: tuple[int, int]
    apart: Vector | None = None

    @property
    def own_faces(self) -> range:
        """The numbers of its faces in `Part.faces`."""
        first, count = self.faces
        return range(first, first + count)


@dataclass(frozen=True, slots=True)
class Part:
    """A part: its name, its size and its topology. `low` and `high` are the corners of its bounding box.

    An assembly is a part with `components`, in the order of its faces and of its solids.
    """

    hash: str
    name: str
    unit: Unit
    material: str
    natural_up: str | None
    low: Vector
    high: Vector
    volume: float
    area: float
    centroid: Vector
    solids: int
    faces: tuple[Face, ...]
    edges: tuple[Edge, ...]
    features: tuple[Feature, ...] = field(default=())
    marks: tuple[UncutMark, ...] = field(default=())
    components: tuple[Component, ...] = field(default=())

    @property
    def extents(self) -> Vector:
        """Overall sizes along x, y and z, in the part's unit."""
        return (self.high[0] - self.low[0], self.high[1] - self.low[1], self.high[2] - self.low[2])

    @property
    def size(self) -> float:
        """Longest overall size: the yardstick of all tolerances in model space."""
        return max(self.extents)
