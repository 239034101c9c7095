"""How a group of lines fits a special view it may be."""

from collections.abc import Sequence

from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.line_set import LineSet
from maqueta.projection.projected_part import face_alone
from maqueta.reading.candidates import Identity, candidate_of
from maqueta.reading.identify import Fit, fits_of
from maqueta.solid.part import Part
from maqueta.solid.unit import MILLIMETRES

#: A view that disagrees less than this is what it is taken for; what is likelier need not be looked for.
SURE = 0.02


def fits_as(
    identity: Identity,
    lines: LineSet,
    part: Part,
    pieces: Sequence[DrawnPiece],
    scales: Sequence[float],
    tolerance: float,
) -> list[Fit]:
    """The fits of drawn pieces as a view that shows these lines of a part, best first; an auxiliary one may show the
    slanted face alone, with or without hidden lines.
    """
    unit, look = MILLIMETRES[part.unit], identity.orthographic
    auxiliary = identity.kind == "auxiliary"
    hidden = auxiliary and any(item.piece.kind == "hidden" for item in pieces)
    found = fits_of([candidate_of(identity, lines)], pieces, scales, unit, tolerance, hidden)
    alone = face_alone(lines, part, look) if auxiliary and look is not None else LineSet(())
    if alone.pieces and (not found or found[0].disagreement > SURE):
        found += fits_of([candidate_of(identity, alone)], pieces, scales, unit, tolerance, hidden=False)
    return sorted(found, key=lambda fit: fit.disagreement)
