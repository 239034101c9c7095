"""Which view is which: of all views each group could be, the set that gives the fewest findings as a sheet.

The lines go before any convention: a reading that agrees with every line wins over one that stands as asked. Symmetric
parts look the same from several sides; what a group is then follows from where it stands.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box
from maqueta.projection.arrangement import Angle, angle_of, name_of, neighbour, where_stands
from maqueta.projection.attitude import Attitude
from maqueta.reading.identify import Fit

#: Everything is weighed in findings it would give: a view that does not agree with its lines gives at least one.
#: Views that agree but for this share of their ink agree wholly.
_DUST: Final = 0.003
#: How much a share of disagreeing ink weighs beside that.
_INK: Final = 30.0
_OTHER_ANGLE: Final = 0.3
_TURNED: Final = 0.6
_TWICE: Final = 0.9
_OTHER_FRONT: Final = 0.45
_OFF_LINE: Final = 0.15
#: A mirror image explains a sheet only where true views would need several oddities.
_MIRROR: Final = 0.9
_NOT_ASKED: Final = 0.6
#: A side view on another level than the front view, or a top view all beside it.
_ASIDE: Final = 0.1
#: What looks like a side view is one, and no rear view that looks the same.
_SELDOM: Final = 0.02
#: Front views further down the list of accepted ones weigh this much more each.
_LESS_LIKED: Final = 0.015


@dataclass(frozen=True, slots=True)
class Standing:
    """A group on the sheet: its box and the views it could be."""

    box: Box
    fits: Sequence[Fit]


def arrange(
    groups: Sequence[Standing], angle: Angle, fronts: Sequence[Attitude], views: Sequence[str]
) -> tuple[list[Fit | None], int | None]:
    """One fit for every group (None where it has none), and the place of the front view (None without a principal one).

    `fronts` are the front views the exercise accepts, best first, and `views` those it asks for; empty when any will
    do.
    """
    principal = [k for k, group in enumerate(groups) if group.fits and group.fits[0].identity.attitude is not None]
    chosen = {k: group.fits[0] if group.fits else None for k, group in enumerate(groups)}
    best: tuple[float, int, dict[int, Fit]] | None = None
    for front in principal:
        for fit in groups[front].fits:
            if fit.identity.attitude is None:
                continue
            cost = _ill(fit) + (_MIRROR if fit.identity.mirrored else 0.0)
            liked = fronts.index(fit.identity.attitude) if fit.identity.attitude in fronts else None
            cost += _OTHER_FRONT if liked is None else _LESS_LIKED * liked
            picked = {front: fit}
            names: list[str] = ["front"]
            for other in principal:
                if other == front:
                    continue
                merit, view, name = _best(groups, front, fit.identity.attitude, other, angle, names, views)
                cost += merit
                picked[other] = view
                names.append(name)
            if best is None or cost < best[0] - 1e-9:
                best = (cost, front, picked)
    if best is None:
        return [chosen[k] for k in range(len(groups))], None
    return [best[2].get(k, chosen[k]) for k in range(len(groups))], best[1]


def _ill(fit: Fit) -> float:
    """What the lines of a view speak against it: nothing where they agree, more than any one oddity where not."""
    return 1.0 + _INK * fit.disagreement if fit.disagreement > _DUST else fit.disagreement


def _best(
    groups: Sequence[Standing],
    front: int,
    attitude: Attitude,
    other: int,
    angle: Angle,
    taken: Sequence[str],
    views: Sequence[str],
) -> tuple[float, Fit, str]:
    candidates: list[tuple[float, int, Fit, str]] = []
    for fit in groups[other].fits:
        own = fit.identity.attitude
        if own is None:
            continue
        name = name_of(attitude, own.side)
        cost = _ill(fit) + (_MIRROR if fit.identity.mirrored else 0.0)
        cost += _TWICE if name in taken else 0.0
        cost += _NOT_ASKED if views and name not in views else 0.0
        cost += _TURNED if neighbour(attitude, name) != own else 0.0
        stands = where_stands(groups[front].box, groups[other].box, name)
        speaks = angle_of(name, stands)
        if name not in ("front", "rear") and speaks != angle:
            cost += _OTHER_ANGLE
        # A rear view stands beside the front view, farther out than a side view where there is one.
        if stands in ("above", "below") if name == "rear" else speaks is None:
            cost += _OFF_LINE
        elif not _level(groups[front].box, groups[other].box, name):
            cost += _ASIDE
        cost += _SELDOM if name == "rear" else 0.0
        candidates.append((cost, len(candidates), fit, name))
    least = min(candidates, key=lambda c: c[:2])
    return least[0], least[2], least[3]


def _level(front: Box, other: Box, name: str) -> bool:
    """Whether a view stands at least partly in line with the front view."""
    low, high = (0, 2) if name in ("top", "bottom") else (1, 3)
    return front[low] < other[high] and other[low] < front[high]
