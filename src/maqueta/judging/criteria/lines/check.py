"""Criterion lines: every line that should be there, and no other."""

from dataclasses import replace

from maqueta.geometry.compare import Comparison
from maqueta.geometry.line_set import Piece
from maqueta.judging.criteria.lines.centres import check_centres
from maqueta.judging.criteria.lines.drafted import check_drawn
from maqueta.judging.criteria.lines.rules import RULES
from maqueta.judging.finding import Finding
from maqueta.judging.survey import Survey
from maqueta.sheet.placed import PlacedView


def check_lines(survey: Survey) -> list[Finding]:
    """All rules of the criterion.

    A projected view has the part's own lines, so only what is shown of them is judged; a drafted one is judged line
    by line. The lines of a mirrored view are not judged further. Hidden lines may be left out of an auxiliary view and
    of a detail, which is not asked for centre lines either: its axes go on outside of it.
    """
    findings: list[Finding] = []
    for item in survey.placed:
        if item.view.lines is None:
            findings += _projected(survey, item)
        elif item.view.id in survey.compared:
            findings += check_drawn(survey, item, _of_parts_there(survey, item))
        whole = item.view.clip is None and not item.view.mirrored
        if survey.exercise.centre_lines and item.orthographic is not None and whole:
            findings += check_centres(survey, item, item.orthographic)
    return findings


def _of_parts_there(survey: Survey, item: PlacedView) -> Comparison:
    """How a view compares, without the lines of parts that are not there at all, which are one mistake each."""
    compared, view = survey.compared[item.view.id], item.view.id
    missing = {piece for own in survey.parts_off for piece in own.missing.get(view, ())}
    extra = {piece for own in survey.parts_off for piece in own.extra.get(view, ())}
    if not missing or survey.exercise.shows == "views":
        return compared
    return replace(
        compared,
        missing=tuple(piece for piece in compared.missing if piece not in missing),
        extra=tuple(piece for piece in compared.extra if piece not in extra),
    )


def _projected(survey: Survey, item: PlacedView) -> list[Finding]:
    findings: list[Finding] = []
    hidden, smooth = item.lines.of("hidden"), item.lines.of("smooth")
    if item.view.kind == "pictorial":
        if item.view.hidden and hidden:
            findings.append(_about("lines.hidden-on-pictorial", survey, item, hidden))
    elif item.view.kind == "principal" and survey.exercise.hidden_lines and not item.view.hidden and hidden:
        findings.append(_about("lines.missing-hidden", survey, item, hidden))
    if item.view.smooth and smooth:
        findings.append(_about("lines.tangent-edge", survey, item, smooth))
    return findings


def _about(rule: str, survey: Survey, item: PlacedView, pieces: tuple[Piece, ...]) -> Finding:
    one = len(pieces) == 1 and rule != "lines.hidden-on-pictorial"
    return RULES.found(
        rule,
        views=(item.view.id,),
        at=tuple(tuple(piece.moved(item.move).outline()) for piece in pieces),
        parameters={
            "count": len(pieces),
            "length": sum(piece.length for piece in pieces) * item.factor,
            "name": survey.name(item),
        },
        variant="one" if one else "",
        edges=tuple(sorted({edge for piece in pieces for edge in piece.edges})),
        faces=tuple(sorted({face for piece in pieces if not piece.edges for face in piece.faces})),
    )
