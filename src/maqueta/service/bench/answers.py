"""From papers to what the bench shows."""

from maqueta.service.bench.messages import PaperAnswer
from maqueta.sheet.paper import Layout, layout
from maqueta.task.exercise import Exercise


def paper_answer(sheet_layout: Layout) -> PaperAnswer:
    """The rectangles of a sheet."""
    return PaperAnswer(
        width=sheet_layout.width,
        height=sheet_layout.height,
        border=sheet_layout.border,
        title=sheet_layout.title,
        drawing_area=sheet_layout.drawing_area,
    )


def task_paper(task: Exercise) -> PaperAnswer:
    """The paper an exercise asks for."""
    return paper_answer(layout(task.paper, task.landscape))
