"""A drafted view line by line: missing, surplus, displaced, of the wrong kind."""

import math
from collections.abc import Iterable, Sequence
from typing import Final

from maqueta.geometry.carrier import Circle, Point
from maqueta.geometry.compare import Comparison, length_of
from maqueta.geometry.displacement import Displaced
from maqueta.geometry.line_set import Piece
from maqueta.judging.criteria.lines.rules import RULES
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.survey import Survey
from maqueta.judging.undrawn import lies_on, undrawn_lines
from maqueta.judging.ways import way_on_sheet
from maqueta.sheet.drafted import piece_of
from maqueta.sheet.placed import PlacedView

#: A hidden line shorter than this (mm) may be a single dash.
_LONG: Final = 8.0


def check_drawn(survey: Survey, item: PlacedView, result: Comparison) -> list[Finding]:
    """Findings of one drafted view from its comparison."""
    name = survey.name(item)
    visible = [piece for piece in result.missing if piece.kind == "visible"]
    hidden = [piece for piece in result.missing if piece.kind == "hidden"]
    extra = list(result.extra)
    findings: list[Finding] = []
    if item.view.kind == "pictorial":
        on_pictorial = [entry.piece for entry in item.by_hand if entry.piece.kind == "hidden"]
        extra = [piece for piece in extra if piece.kind != "hidden"]
        findings += _one("lines.hidden-on-pictorial", item, name, on_pictorial, "")
    if item.view.kind == "section":
        # Hidden lines left in a section, and lines where its planes change, are matters of their own.
        undrawn, tolerance = undrawn_lines(item), survey.exercise.tolerance_mm / item.factor
        extra = [piece for piece in extra if piece.kind != "hidden" and not lies_on(piece, undrawn, tolerance)]
        hidden = []
    findings += _one("lines.missing-visible", item, name, visible)
    findings += _one("lines.missing-hidden", item, name, hidden)
    findings += _one("lines.extra", item, name, extra)
    findings += _one("lines.tangent-edge", item, name, result.smooth)
    for kind in ("visible", "hidden"):
        # A wrong piece carries the kind it should have; the wording speaks of the kind it was drawn in.
        drawn_as = "hidden" if kind == "visible" else "visible"
        wrong = [piece for piece in result.wrong if piece.kind == kind]
        findings += _one("lines.wrong-kind", item, name, wrong, drawn_as)
    findings += [_displaced(item, name, pair) for pair in result.displaced]
    solid = [piece_of(line) for line in item.view.lines or () if line.solid]
    findings += _one("lines.style", item, name, [p for p in solid if p.length * item.factor > _LONG], "solid")
    return findings


def _one(
    rule: str, item: PlacedView, name: str, pieces: Sequence[Piece], variant: str | None = None
) -> Iterable[Finding]:
    if not pieces:
        return
    one = "one" if len(pieces) == 1 else ""
    yield RULES.found(
        rule,
        views=(item.view.id,),
        at=_places(item, pieces),
        parameters={"count": len(pieces), "length": length_of(pieces) * item.factor, "name": name},
        variant=one if variant is None else variant,
        edges=tuple(sorted({edge for piece in pieces for edge in piece.edges})),
        faces=tuple(sorted({face for piece in pieces if not piece.edges for face in piece.faces})),
    )


def _places(item: PlacedView, pieces: Iterable[Piece]) -> tuple[tuple[Point, ...], ...]:
    return tuple(tuple(piece.moved(item.move).outline()) for piece in pieces)


def _displaced(item: PlacedView, name: str, pair: Displaced) -> Finding:
    """How far and which way the line should move: against the shift it was drawn with."""
    back = (-pair.shift[0] * item.factor, -pair.shift[1] * item.factor)
    circle = isinstance(pair.missing.carrier, Circle)
    parameters: dict[str, Parameter] = {
        "name": name,
        "distance": math.hypot(*back),
        "way": way_on_sheet(back),
        "length": pair.extra.length * item.factor,
    }
    if isinstance(pair.missing.carrier, Circle):
        parameters["diameter"] = 2 * pair.missing.carrier.radius
    return RULES.found(
        "lines.displaced",
        views=(item.view.id,),
        at=_places(item, (pair.extra,)),
        parameters=parameters,
        variant="circle" if circle else "",
        edges=pair.missing.edges,
        faces=() if pair.missing.edges else pair.missing.faces,
    )
