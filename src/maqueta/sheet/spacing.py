"""Sheet sums: equal gaps between views, and the largest scale that leaves room.

gap = (drawing area − Σ view sizes) ÷ (views + 1) along each direction. Common practice, no source.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from maqueta.sheet.scales import recommended
from maqueta.solid.unit import Unit


@dataclass(frozen=True, slots=True)
class GapSum:
    """One direction's sum, in any one unit."""

    area: float
    sizes: tuple[float, ...]

    @property
    def gap(self) -> float:
        """The equal gap; negative when the views do not fit."""
        return (self.area - sum(self.sizes)) / (len(self.sizes) + 1)

    def written(self, units: Unit) -> str:
        """The sum as a person writes it: "(31 − 8 − 4) ÷ 3 = 6 1/3"; `area` and `sizes` are in `units`."""

        def show(value: float) -> str:
            return as_fraction(value) if units == "inch" else f"{value:.1f}".rstrip("0").rstrip(".")

        terms = " − ".join(show(term) for term in (self.area, *self.sizes))
        return f"({terms}) ÷ {len(self.sizes) + 1} = {show(self.gap)}"


def as_fraction(value: float, finest: int = 64) -> str:
    """An inch value as a reduced mixed fraction.

    Exact thirds, sixths and the like are kept; anything else is rounded to 1/`finest`.
    """
    exact = Fraction(value).limit_denominator(24)
    near = exact if abs(float(exact) - value) < 1e-9 else Fraction(round(value * finest), finest)
    sign = "-" if near < 0 else ""
    whole, rest = divmod(abs(near), 1)
    if rest == 0:
        return f"{sign}{whole}"
    return f"{sign}{whole} {rest}" if whole else f"{sign}{rest}"


def bands(spans: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """Columns or rows of views: spans along one direction, those that overlap made one, lowest first."""
    result: list[tuple[float, float]] = []
    for low, high in sorted(spans):
        if result and low < result[-1][1]:
            result[-1] = (result[-1][0], max(result[-1][1], high))
        else:
            result.append((low, high))
    return result


def gaps_between(area: tuple[float, float], spans: Sequence[tuple[float, float]]) -> list[float]:
    """The gaps before, between and after bands along one direction of the drawing area."""
    edges = [area[0], *(edge for span in spans for edge in span), area[1]]
    return [edges[k + 1] - edges[k] for k in range(0, len(edges), 2)]


def proposed_scale(
    area: tuple[float, float],
    columns: Sequence[float],
    rows: Sequence[float],
    room: float,
    units: Unit,
) -> float | None:
    """The largest recommended scale that leaves every gap at least `room` mm, or None when none does.

    `area` is the drawing area, `columns` and `rows` the true view sizes side by side and one above the other (mm).
    """
    for scale in reversed(recommended(units)):
        factor = float(scale)
        across = GapSum(area[0], tuple(size * factor for size in columns)).gap
        up = GapSum(area[1], tuple(size * factor for size in rows)).gap
        if min(across, up) >= room:
            return factor
    return None
