"""`section.hatching`, `section.hatch-style` and `section.uncut`: what is hatched, how, and what should not be."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations, pairwise
from typing import Final

import shapely
from shapely.geometry import MultiPoint, Polygon
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import Vector, square
from maqueta.judging.criteria.section.rules import RULES
from maqueta.judging.cutting_survey import called, cut_of
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.survey import Survey
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.special import Hatching
from maqueta.solid.part import Part
from maqueta.solid.uncut import Whole, bodies, cut_lengthwise, pins

#: Areas thinner than twice this, mm, may stay bare or be filled (ISO 128-3, from memory).
_THIN: Final = 1.0
#: An area is hatched when this share of it is, and a surplus is one from this size on, mm².
_HATCHED, _SURPLUS = 0.6, 6.0
#: Hatching lies over a face when this share of the smaller of both does.
_OVER: Final = 0.2
#: Hatching keeps off an edge by so much, mm, and by as much of its spacing.
_EDGE, _OF_SPACING = 0.6, 0.4
#: Spacing between hatching lines, mm (common practice, no source).
_DENSE, _WIDE = 1.0, 10.0
#: Directions closer than this, degrees, and spacings closer than this ratio are one.
_ALIKE, _AS_DENSE = 7.0, 1.5
#: Share of an outline that may lie along the hatching or square to it, and edges too short to count, mm.
_ALONG, _SHORT = 0.6, 2.0
_NEAR: Final = 5.0


@dataclass(frozen=True)
class _Face:
    """A cut face on paper: its area (mm on the sheet), the body it is of, and what is hatched over it."""

    item: PlacedView
    area: BaseGeometry
    body: int
    over: tuple[Hatching, ...]


def check_hatching(survey: Survey) -> list[Finding]:
    """All three rules, on every view that is cut or hatched."""
    findings: list[Finding] = []
    faces: list[_Face] = []
    for item in survey.placed:
        if item.look is None or not (item.lines.regions or item.hatched):
            continue
        areas = [area.moved(item.move) for area in item.hatched]
        own = [_face(item, region.rings, region.body, areas) for region in item.lines.regions]
        faces += own
        findings += _bare(item, own)
        findings += _surplus(survey.projected.part, item, own, areas)
        findings += _lengthwise(survey.projected.part, item, own)
        findings += _along_outline(item, own)
        findings += _density(item, own)
    return findings + _unlike(faces) + _alike(faces)


def _face(item: PlacedView, rings: tuple[tuple[Point, ...], ...], body: int, areas: Sequence[Hatching]) -> _Face:
    outer, *holes = (tuple(item.move(point) for point in ring) for ring in rings)
    area = Polygon(outer, holes).buffer(0)
    over = tuple(own for own in areas if own.region.intersection(area).area > _OVER * min(own.region.area, area.area))
    return _Face(item, area, body, over)


def _is_thin(face: _Face) -> bool:
    return bool(face.area.buffer(-_THIN).is_empty)


def _bare(item: PlacedView, faces: Sequence[_Face]) -> list[Finding]:
    bare = [
        face
        for face in faces
        if not _is_thin(face)
        and shapely.unary_union([own.region for own in face.over]).intersection(face.area).area
        < _HATCHED * face.area.area
    ]
    if not bare:
        return []
    parameters: dict[str, Parameter] = {"view": called(item), "count": len(bare), "all": len(faces)}
    return [_found("section.hatching", item, [face.area for face in bare], "", parameters)]


def _found(
    rule: str, item: PlacedView, areas: Sequence[BaseGeometry], variant: str, parameters: dict[str, Parameter]
) -> Finding:
    return RULES.found(
        rule,
        views=(item.view.id,),
        at=tuple(_edge(part) for area in areas for part in shapely.get_parts(area) if isinstance(part, Polygon)),
        parameters=parameters,
        variant=variant,
    )


def _edge(area: Polygon) -> tuple[Point, ...]:
    return tuple((float(x), float(y)) for x, y in area.exterior.simplify(0.05).coords)


def _surplus(part: Part, item: PlacedView, faces: Sequence[_Face], areas: Sequence[Hatching]) -> list[Finding]:
    """Hatching where nothing is cut; over a rib left whole it is hatched lengthwise."""
    cut = shapely.unary_union([face.area for face in faces])
    left: list[BaseGeometry] = []
    for own in areas:
        slack = _EDGE + _OF_SPACING * min(own.spacing, _WIDE)
        beyond = own.region.difference(cut).buffer(-slack / 2).buffer(slack / 2)
        left += [each for each in shapely.get_parts(beyond) if each.area >= _SURPLUS]
    whole = [] if item.view.cut is None else _left_whole(part, item)
    over_rib = [area for area in left if any(flank.intersection(area).area > 0.5 * area.area for flank in whole)]
    beside = [area for area in left if not any(area is own for own in over_rib)]
    findings = []
    if over_rib:
        findings.append(_found("section.uncut", item, over_rib, "", {"view": called(item), "count": len(over_rib)}))
    if beside:
        parameters: dict[str, Parameter] = {"view": called(item), "count": len(beside)}
        findings.append(_found("section.hatching", item, beside, "surplus", parameters))
    return findings


def _left_whole(part: Part, item: PlacedView) -> list[BaseGeometry]:
    """Where ribs that are not cut are seen, on paper."""
    cut = cut_of(item)
    return [_flank(part, item, rib) for rib in cut_lengthwise(part, cut) if set(rib.flanks) & set(cut.whole)]


def _flank(part: Part, item: PlacedView, rib: Whole) -> BaseGeometry:
    assert item.look is not None, "a section looks at the part"
    points = [p for name in part.faces[rib.flanks[0]].edges for p in part.edges[name].samples]
    drawn = cut_of(item).laid_out(points)
    return MultiPoint([item.to_sheet(item.look.seen(point)) for point in drawn]).convex_hull


def _lengthwise(part: Part, item: PlacedView, faces: Sequence[_Face]) -> list[Finding]:
    """Ribs cut lengthwise and hatched; bodies such as pins and bolts as well."""
    if item.view.kind != "section" or not item.hatched:
        return []
    cut, findings = cut_of(item), []
    hatched = shapely.unary_union([own.moved(item.move).region for own in item.hatched])
    flanks = [_flank(part, item, rib) for rib in cut_lengthwise(part, cut) if not set(rib.flanks) & set(cut.whole)]
    over = [flank for flank in flanks if flank.intersection(hatched).area > 0.5 * flank.area]
    if over:
        findings.append(_found("section.uncut", item, over, "", {"view": called(item), "count": len(over)}))
    round_ones = {place for place in pins(part) if _runs_along(part, place, cut.towards)}
    cut_bodies = [face for face in faces if face.body in round_ones and face.over]
    if cut_bodies:
        parameters: dict[str, Parameter] = {"view": called(item), "count": len({face.body for face in cut_bodies})}
        findings.append(_found("section.uncut", item, [face.area for face in cut_bodies], "body", parameters))
    return findings


def _runs_along(part: Part, body: int, towards: Vector) -> bool:
    """Whether the axis of a round body lies in the plane it is cut by; one that has none is whole in any plane."""
    own = (part.faces[number] for number in bodies(part)[body])
    turned = [face for face in own if face.kind in ("cylinder", "cone")]
    return not turned or any(square(face.direction, towards) for face in turned)


def _main(face: _Face) -> Hatching | None:
    """The hatching that covers most of a cut face; None where it is bare or filled."""
    own = max(face.over, key=lambda area: area.region.intersection(face.area).area, default=None)
    return own if own is not None and own.spacing > 0 else None


def _between(first: float, second: float) -> float:
    """The angle between two directions of lines, degrees."""
    return abs(math.remainder(first - second, 180.0))


def _unlike(faces: Sequence[_Face]) -> list[Finding]:
    """One body hatched in two directions, or in one view at two spacings."""
    findings = []
    for body in sorted({face.body for face in faces}):
        own = [(face, main) for face in faces if face.body == body and (main := _main(face)) is not None]
        first = own[0] if own else None
        turned = [face for face, main in own if first and _between(main.angle, first[1].angle) > _ALIKE]
        wide = [
            other
            for (face, main), (other, more) in combinations(own, 2)
            if face.item is other.item and not 1 / _AS_DENSE <= main.spacing / more.spacing <= _AS_DENSE
        ]
        for variant, odd in (("directions", turned), ("spacings", wide)):
            if odd:
                findings.append(_style(odd, variant))
    return findings


def _style(faces: Sequence[_Face], variant: str, **more: Parameter) -> Finding:
    views = tuple(dict.fromkeys(face.item.view.id for face in faces))
    return RULES.found(
        "section.hatch-style",
        views=views,
        at=tuple(_edge(p) for face in faces for p in shapely.get_parts(face.area) if isinstance(p, Polygon)),
        parameters={"view": called(faces[0].item), **more},
        variant=variant,
    )


def _alike(faces: Sequence[_Face]) -> list[Finding]:
    """Two bodies that touch, hatched alike."""
    alike = []
    for face, other in combinations(faces, 2):
        if face.item is not other.item or face.body == other.body:
            continue
        first, second = _main(face), _main(other)
        if first is None or second is None or face.area.distance(other.area) > 0.1:
            continue
        same = _between(first.angle, second.angle) <= _ALIKE
        if same and 1 / _AS_DENSE <= first.spacing / second.spacing <= _AS_DENSE:
            alike.append(other)
    return [_style(alike, "alike")] if alike else []


def _along_outline(item: PlacedView, faces: Sequence[_Face]) -> list[Finding]:
    """Hatching along the outline, or square to it."""
    odd = []
    for face in faces:
        main = _main(face)
        if main is None:
            continue
        along = whole = 0.0
        for part in shapely.get_parts(face.area):
            for ring in (part.exterior, *part.interiors):
                for (ax, ay), (bx, by) in pairwise(ring.coords):
                    length = math.hypot(bx - ax, by - ay)
                    if length < _SHORT:
                        continue
                    whole += length
                    turn = _between(math.degrees(math.atan2(by - ay, bx - ax)), main.angle)
                    along += length if turn < _NEAR or turn > 90 - _NEAR else 0.0
        if whole and along > _ALONG * whole:
            odd.append(face)
    return [_style(odd, "outline")] if odd else []


def _density(item: PlacedView, faces: Sequence[_Face]) -> list[Finding]:
    """Spacing too narrow or too wide to read."""
    odd = [
        (face, main.spacing)
        for face in faces
        if (main := _main(face)) is not None and not _is_thin(face) and not _DENSE <= main.spacing <= _WIDE
    ]
    return [_style([face for face, _ in odd], "dense", spacing=odd[0][1])] if odd else []
