"""Criterion auxiliary: views square to an inclined face, folded out across any folding line."""

import math
from collections.abc import Sequence
from typing import Final

from maqueta.geometry.box import outline_of
from maqueta.geometry.directions import Vector, parallel
from maqueta.geometry.frame import dot
from maqueta.judging.cutting_survey import called
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.in_line import out_of_line
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.view_graph import fold, shared
from maqueta.solid.slanted import slanted_faces
from maqueta.task.special import Shown, way_of

RULES: Final = Rules(
    (
        rule("auxiliary.missing", "error", "missing", "", "along", "any", "length"),
        rule("auxiliary.direction", "error", "displaced", "", "along"),
        rule("auxiliary.fold", "error", "displaced"),
        rule("auxiliary.chain", "error", "displaced", "", "along"),
        rule("auxiliary.label", "error", "missing", "", "arrow"),
    )
)
#: Looked at squarely, within so many degrees; a view farther off than this is meant for something else.
_SQUARE, _MEANT = 0.5, 35.0
#: Where nothing is asked, a view this near to a face (degrees) is meant for it.
_NEAR: Final = 10.0


def check_auxiliary(survey: Survey) -> list[Finding]:
    """All rules of the criterion. The lines of an auxiliary view are judged as those of any view."""
    auxiliary = [item for item in survey.placed if item.view.kind == "auxiliary" and item.look is not None]
    findings, told = _asked(survey, auxiliary)
    for item in auxiliary:
        if item.view.id not in told:
            findings += _of_its_own(survey, item, auxiliary)
        findings += _standing(survey, item)
    return findings


def _asked(survey: Survey, auxiliary: Sequence[PlacedView]) -> tuple[list[Finding], set[str]]:
    """What is asked and not shown, and the views that were meant for it."""
    findings: list[Finding] = []
    meant: set[str] = set()
    for asked in survey.exercise.special:
        if asked.kind != "auxiliary":
            continue
        if asked.shows is None:
            if not auxiliary:
                findings.append(RULES.found("auxiliary.missing", variant="any"))
            continue
        showing = [item for item in survey.orthographic if _askew(item, asked.shows.way) <= _SQUARE]
        meant.update(item.view.id for item in showing)
        if not showing:
            finding = _unshown(survey, asked.shows, [item for item in auxiliary if item.view.id not in meant])
            meant.update(finding.views[:1])
            findings.append(finding)
    for edge in survey.exercise.true_length:
        way = way_of(edge)
        if not any(abs(_askew(item, way) - 90) <= _SQUARE for item in survey.orthographic):
            findings.append(RULES.found("auxiliary.missing", parameters={"edge": _points(*edge)}, variant="length"))
    return findings, meant


def _points(start: Vector, end: Vector) -> str:
    """An edge by its ends, in the part's own space."""
    return " – ".join("(" + ", ".join(f"{x:g}" for x in point) + ")" for point in (start, end))


def _askew(item: PlacedView, way: Vector) -> float:
    """The angle between a line of sight and a direction of the part, either way round, in degrees (0 to 90)."""
    assert item.look is not None, "only views that look at the part are asked"
    length = math.sqrt(dot(way, way))
    cosine = abs(dot(item.look.towards, way)) / max(length, 1e-12)
    return math.degrees(math.acos(min(1.0, cosine)))


def _unshown(survey: Survey, shown: Shown, auxiliary: Sequence[PlacedView]) -> Finding:
    """Why nothing shows a face truly or an edge as a point: a view askew, a chain begun wrongly, or no view at all."""
    what: Phrase = phrase("shown-face") if shown.normal is not None else phrase("shown-edge")
    variant = "" if shown.normal is not None else "along"
    near = min(auxiliary, key=lambda item: _askew(item, shown.way), default=None)
    if near is None or _askew(near, shown.way) > _MEANT:
        faces = _faces(survey, shown)
        return RULES.found("auxiliary.missing", parameters={"what": what}, variant=variant, faces=faces)
    parent = survey.parent(near)
    second = parent is not None and parent.view.kind == "auxiliary" and parent.look is not None
    if parent is not None and second and abs(_askew(parent, shown.way) - 90) > _SQUARE:
        return _found(near, "auxiliary.chain", variant, 90 - _askew(parent, shown.way), survey, shown, parent)
    return _found(near, "auxiliary.direction", variant, _askew(near, shown.way), survey, shown)


def _found(
    item: PlacedView,
    rule: str,
    variant: str,
    degrees: float,
    survey: Survey,
    shown: Shown | None,
    parent: PlacedView | None = None,
) -> Finding:
    views = (item, parent) if parent is not None else (item,)
    return RULES.found(
        rule,
        views=tuple(own.view.id for own in views),
        at=tuple(outline_of(own.box) for own in views),
        parameters={"view": called(item), "degrees": degrees},
        variant=variant,
        faces=_faces(survey, shown) if shown is not None else (),
    )


def _faces(survey: Survey, shown: Shown) -> tuple[int, ...]:
    """The faces that are asked for."""
    if shown.normal is None:
        return ()
    length = math.sqrt(dot(shown.normal, shown.normal))
    unit = tuple(x / length for x in shown.normal)
    faces = enumerate(survey.projected.part.faces)
    return tuple(
        number
        for number, face in faces
        if face.kind == "plane" and parallel(face.direction, unit) and dot(face.direction, shown.normal) > 0
    )


def _of_its_own(survey: Survey, item: PlacedView, auxiliary: Sequence[PlacedView]) -> list[Finding]:
    """A view that nobody asked for is meant for the slanted face it nearly looks at squarely."""
    if any(survey.parent(other) is item for other in auxiliary):
        # What it shows as an edge, or an edge in true length, is for the next view.
        return []
    least = min((_askew(item, way) for way in slanted_faces(survey.projected.part)), default=90.0)
    if not _SQUARE < least <= _NEAR:
        return []
    return [_found(item, "auxiliary.direction", "", least, survey, None)]


def _standing(survey: Survey, item: PlacedView) -> list[Finding]:
    """Folded out in line with its parent, or labelled with an arrow and a letter."""
    parent, letter = survey.parent(item), item.view.letter
    arrows = {arrow.letter for arrow in survey.sheet.sight_arrows}
    folded = parent is not None and parent.look is not None and item.look is not None and _folds(parent, item)
    if letter is not None and letter in arrows:
        return []
    if not folded:
        about: dict[str, Parameter] = {"view": called(item)}
        variant = "arrow" if letter is not None else ""
        return [
            RULES.found(
                "auxiliary.label",
                views=(item.view.id,),
                at=(outline_of(item.box),),
                parameters=about,
                variant=variant,
            )
        ]
    assert parent is not None, "what is folded out has a parent"
    off = out_of_line(survey, parent, item)
    if off is None:
        return []
    parameters = {**off.parameters, "parent": survey.name(parent), "view": called(item)}
    return [RULES.found("auxiliary.fold", views=(item.view.id, parent.view.id), at=off.at, parameters=parameters)]


def _folds(parent: PlacedView, item: PlacedView) -> bool:
    """Whether a view is what one sees across a folding line of its parent, and not turned in its plane."""
    assert parent.look is not None, "asked of views that look at the part"
    assert item.look is not None, "asked of views that look at the part"
    return fold(parent.look, item.look) is not None and shared(parent.look, item.look) is not None
