"""The reader's eye: a sheet as someone reads it who knows the form of the part but no size."""

from collections.abc import Mapping
from dataclasses import dataclass

from maqueta.judging.catalogue import wording
from maqueta.judging.criteria.dimensions.check import chain_findings
from maqueta.judging.criteria.dimensions.open_sizes import check_open
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.phrases.phrase import Phrase
from maqueta.sizes.count import SizeCount
from maqueta.sizes.motions import Motion
from maqueta.sizes.redrawn import MovingLine, moving_lines, shown_lines, swung


@dataclass(frozen=True, slots=True)
class OpenSize:
    """Something not determined: what is said of it, the faces that move, and how (by unknown and in each view)."""

    told: Phrase
    faces: tuple[int, ...]
    motion: Motion
    lines: Mapping[str, tuple[MovingLine, ...]]


@dataclass(frozen=True, slots=True)
class ClosedChain:
    """Dimensions of which each follows from the others, by their ids."""

    told: Phrase
    members: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class ReadersEye:
    """What the dimensions of a sheet determine, what they leave open and what they say twice."""

    needed: int
    least: int
    counts: tuple[SizeCount, ...]
    open: tuple[OpenSize, ...]
    chains: tuple[ClosedChain, ...]


def readers_eye(dimensions: DimensionSurvey, by_hand: bool = False) -> ReadersEye:
    """Read a sheet. Only for parts whose sizes can be counted (`dimensions.reason` is None).

    With `by_hand`, views that have lines of their own are redrawn as they should be.
    """
    reading, form = dimensions.reading, dimensions.form
    sizes = []
    views = {
        item.view.id: shown_lines(dimensions.sighted[item.view.id], item.lines.of("visible"))
        for item in dimensions.survey.orthographic
        if reading.open and (item.view.lines is None or (by_hand and not item.view.mirrored))
    }
    for motion, finding in zip(reading.open, check_open(dimensions), strict=True):
        shown = swung(form, motion)
        lines = {view: moving_lines(form, known, shown) for view, known in views.items()}
        sizes.append(OpenSize(wording(finding).message, finding.faces, shown, {k: v for k, v in lines.items() if v}))
    chains = tuple(ClosedChain(wording(found).message, found.items) for found in chain_findings(dimensions))
    return ReadersEye(reading.needed, reading.least, dimensions.counts, tuple(sizes), chains)
