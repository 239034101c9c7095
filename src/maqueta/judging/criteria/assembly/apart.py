"""Parts pulled apart: all of them, along the ways they come out, in order, clear of each other."""

import math
from collections.abc import Iterator, Mapping
from itertools import combinations
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.judging.apart_survey import ApartSurvey, outline_points
from maqueta.judging.criteria.assembly.rules import RULES
from maqueta.judging.finding import Finding
from maqueta.solid.part import Component

#: A part may be pulled so many degrees off its way, or so many mm on paper (common practice, no source).
_ASKEW: Final = 3.0
_BESIDE: Final = 1.5
#: Ways this nearly parallel (cosine) are one.
_ONE_WAY: Final = 0.999
#: Parts that cover less than this share of the smaller of them only touch.
_TOUCH: Final = 0.01
#: Something drawn that is smaller than this, mm, is a stray line.
_STRAY: Final = 8.0


def check_apart(apart: ApartSurvey) -> list[Finding]:
    """`assembly.part` and `assembly.apart` where parts are pulled apart."""
    return [*_missing(apart), *_strange(apart), *_off(apart), *_overlapping(apart), *_order(apart)]


def _missing(apart: ApartSurvey) -> Iterator[Finding]:
    for own in apart.components.values():
        if own.id not in apart.shown:
            yield RULES.found("assembly.part", parameters={"name": own.name}, faces=tuple(own.own_faces))


def _strange(apart: ApartSurvey) -> Iterator[Finding]:
    """Groups of lines that are no part of the assembly."""
    for item in apart.survey.unrecognised:
        left, bottom, right, top = item.box
        if max(right - left, top - bottom) < _STRAY:
            continue
        parameters = {"count": len(item.by_hand), "width": right - left, "height": top - bottom}
        yield RULES.found(
            "assembly.part",
            views=(item.view.id,),
            at=(((left, bottom), (right, bottom), (right, top), (left, top), (left, bottom)),),
            parameters=parameters,
            variant="strange",
        )


def _shifts(apart: ApartSurvey) -> Mapping[str, Point]:
    """How far each part is pulled on paper, mm, from where it is put together.

    That is told from the parts that stay; without one that stays nothing is, nor where nobody knows how parts come out.
    """
    if all(own.apart is None for own in apart.components.values()):
        return {}
    stays = next((name for name in apart.shown if apart.components[name].apart is None), None)
    if stays is None:
        return {}
    x, y = apart.shown[stays].view.at
    return {name: (item.view.at[0] - x, item.view.at[1] - y) for name, item in apart.shown.items()}


def _way(apart: ApartSurvey, own: Component) -> Point | None:
    """The way a part comes out, as it is seen (unit vector); None for one that stays, or whose way is not seen."""
    look = apart.shown[own.id].look
    if look is None or own.apart is None:
        return None
    x, y = look.seen(own.apart)
    length = math.hypot(x, y)
    return (x / length, y / length) if length > 1e-3 * math.hypot(*own.apart) else None


def _off(apart: ApartSurvey) -> Iterator[Finding]:
    """Parts beside the line along which they come out. Which way along it is not judged: a pin comes out both ways."""
    for name, (x, y) in _shifts(apart).items():
        own = apart.components[name]
        way = _way(apart, own)
        pulled = math.hypot(x, y)
        if way is None or pulled == 0:
            if own.apart is None and pulled > _BESIDE:
                yield _askew(apart, own, 90.0)
            continue
        across = abs(x * way[1] - y * way[0])
        degrees = math.degrees(math.asin(min(1.0, across / pulled)))
        if across > _BESIDE and degrees > _ASKEW:
            yield _askew(apart, own, degrees)


def _askew(apart: ApartSurvey, own: Component, degrees: float) -> Finding:
    return RULES.found(
        "assembly.apart",
        views=(apart.shown[own.id].view.id,),
        at=(outline_points(apart.covers[own.id]),),
        parameters={"name": own.name, "degrees": degrees},
        variant="off",
    )


def _overlapping(apart: ApartSurvey) -> Iterator[Finding]:
    for first, second in combinations(apart.covers, 2):
        common = apart.covers[first].intersection(apart.covers[second])
        smaller = min(apart.covers[first].area, apart.covers[second].area)
        if common.area > _TOUCH * smaller:
            names = {"first": apart.components[first].name, "second": apart.components[second].name}
            views = (apart.shown[first].view.id, apart.shown[second].view.id)
            yield RULES.found(
                "assembly.apart", views=views, at=(outline_points(common),), parameters=names, variant="overlapping"
            )


def _order(apart: ApartSurvey) -> Iterator[Finding]:
    """Of two parts that go one way the one that comes out first goes farther."""
    shifts = _shifts(apart)
    for first, second in combinations(shifts, 2):
        own, other = (apart.components[name] for name in (first, second))
        way = _way(apart, own)
        if own.apart is None or other.apart is None or way is None or _one_way(own.apart, other.apart) < _ONE_WAY:
            continue
        far = math.hypot(*own.apart) - math.hypot(*other.apart)
        goes = [shifts[name][0] * way[0] + shifts[name][1] * way[1] for name in (first, second)]
        if min(goes) > 0 and far * (goes[0] - goes[1]) < 0 and abs(goes[0] - goes[1]) > _BESIDE and abs(far) > 1e-6:
            nearer, farther = (own, other) if far > 0 else (other, own)
            yield RULES.found(
                "assembly.apart",
                views=(apart.shown[farther.id].view.id, apart.shown[nearer.id].view.id),
                at=tuple(outline_points(apart.covers[part.id]) for part in (farther, nearer)),
                parameters={"first": farther.name, "second": nearer.name},
                variant="order",
            )


def _one_way(a: tuple[float, float, float], b: tuple[float, float, float]) -> float:
    """The cosine of the angle between two ways."""
    return sum(x * y for x, y in zip(a, b, strict=True)) / (math.hypot(*a) * math.hypot(*b))
