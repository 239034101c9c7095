"""Every way in which a sheet is written: DXF by its conventions, PDF and SVG by the hands of other programs."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import partial
from typing import Final, Literal

from maqueta.drawing.ink import Arc, InkGroup, Item, Stroke, group
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import piece_item, sheet_ink
from maqueta.drawing.svg import svg
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from tests.reading.dxf_writer import CONVENTIONS, Convention, Drawn, write_sheet
from tests.reading.pdf_writer import HANDS, Hand, write_ink
from tests.reading.svg_writer import PROGRAMS, Program, write_strokes

Format = Literal["dxf", "pdf", "svg"]
Write = Callable[[ProjectedPart, SheetDocument, Sequence[Drawn] | None], bytes]


@dataclass(frozen=True)
class Writing:
    """One way to write a sheet; lines given beside it stand for its own. `window`: it shows the paper and no more."""

    name: str
    write: Write
    window: bool = False


def ink_of(part: ProjectedPart, sheet: SheetDocument, drawn: Sequence[Drawn] | None) -> tuple[InkGroup, ...]:
    """The ink of a sheet; lines that are given take the place of its views' and their centre lines."""
    groups = sheet_ink(part, sheet)
    if drawn is None:
        return groups
    lines = {"visible", "hidden", "smooth"}
    kept = [
        group(
            own.id, own.role, [i for i in own.items if not (isinstance(i, Stroke | Arc) and i.pen in lines)], own.owner
        )
        if own.role == "view"
        else own
        for own in groups
        if own.role != "mark"
    ]
    items: list[Item] = [piece_item(line.piece, line.kind) for line in drawn]
    return (*kept, group("lines", "view", items))


def _in_convention(how: Convention) -> Writing:
    return Writing(how.name, lambda part, sheet, drawn: write_sheet(part, sheet, how, drawn), how.space == "window")


def _by_hand(hand: Hand) -> Writing:
    def write(part: ProjectedPart, sheet: SheetDocument, drawn: Sequence[Drawn] | None) -> bytes:
        return write_ink(ink_of(part, sheet, drawn), sheet.paper.layout, hand)

    return Writing(hand.name, write, hand.boxed)


def _by_program(program: Program) -> Writing:
    return Writing(
        program.name, lambda part, sheet, drawn: write_strokes(ink_of(part, sheet, drawn), sheet.paper.layout, program)
    )


def _own(
    form: Literal["pdf", "svg"], part: ProjectedPart, sheet: SheetDocument, drawn: Sequence[Drawn] | None
) -> bytes:
    ink = ink_of(part, sheet, drawn)
    if form == "pdf":
        return pdf(ink, sheet.paper.layout, "sheet")
    return svg(ink, sheet.paper.layout, "sheet").encode()


WRITINGS: Final[dict[Format, tuple[Writing, ...]]] = {
    "dxf": tuple(map(_in_convention, CONVENTIONS)),
    "pdf": (Writing("our own", partial(_own, "pdf")), *map(_by_hand, HANDS)),
    "svg": (Writing("our own", partial(_own, "svg")), *map(_by_program, PROGRAMS)),
}
