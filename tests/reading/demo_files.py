"""DXF files of demo exercises, as students might deliver them."""

import random

from maqueta.demo.workshop import EXERCISES
from maqueta.making.model_sheet import Drafter, model_sheet
from tests.parts import demo_projected
from tests.reading.dxf_writer import CONVENTIONS, Drawn, drawn_lines, write_sheet
from tests.reading.planted import PLANTED, Case


def demo_file(slug: str, drafter: str, rule: str | None = None, convention: int = 0) -> bytes:
    """A sheet of a demo exercise by its part, faultless or with one mistake planted."""
    demo = next(d for d in EXERCISES if d.part == slug and not d.varied)
    part = demo_projected(slug)
    task = demo.task.model_copy(update={"pictorial": "unwanted"})
    sheet = model_sheet(part, task, Drafter(drafter, "Evening 2", "2026-11-20"))
    lines: list[Drawn] = drawn_lines(part, sheet)
    if rule is not None:
        planted = PLANTED[rule](Case(part, task, sheet), random.Random(1))
        assert planted is not None, "this mistake cannot be planted in that sheet"
        sheet, lines = planted
    return write_sheet(part, sheet, CONVENTIONS[convention], lines)
