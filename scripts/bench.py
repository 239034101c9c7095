"""The speed table: each figure beside the bare kernel, measured in the same run."""

import sys
import tempfile
import time
from collections.abc import Callable
from itertools import pairwise
from pathlib import Path
from statistics import median

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from bench_sheets import set_rows, sheet_rows
from bench_store import store_rows
from tests.parts import comb

from maqueta.demo.put_together import component_recipe, demo_assembly
from maqueta.demo.workshop import EXERCISES, PARTS, demo_recipe
from maqueta.geometry.clip import Clip, clipped
from maqueta.geometry.directions import AXES, SIDES
from maqueta.geometry.line_set import LineSet
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.report import check, report
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.attitude import usual
from maqueta.projection.hidden_lines import HiddenLines, bare_hidden_lines
from maqueta.projection.look import Look
from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import rank
from maqueta.projection.section_lines import SectionLines
from maqueta.service.bench.readers_eye_answers import reading_answer
from maqueta.service.settings import Settings
from maqueta.service.shelf.at_kernel import described
from maqueta.sheet.view_graph import folded
from maqueta.sizes.determinacy import Equation, read
from maqueta.sizes.form.model import form_model
from maqueta.solid.apart import pulled_apart
from maqueta.solid.assembled import assembled, overlaps
from maqueta.solid.cut import Cut
from maqueta.solid.cutting import bare_cut
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
from maqueta.solid.source import load_part, part_of_recipe
from maqueta.solid.step import write_step
from maqueta.solid.triangulation import triangulated
from maqueta.study.demands import demands


def milliseconds(*works: Callable[[], object], rounds: int = 15) -> list[float]:
    """Least time of each piece of work, after one warm-up.

    The works take turns, so that a change of the machine's pace meets all of them, and the least of many rounds is
    the time that nothing else disturbed.
    """
    least = [float("inf")] * len(works)
    for number in range(rounds + 1):
        for place, work in enumerate(works):
            start = time.perf_counter()
            work()
            if number:
                least[place] = min(least[place], 1000 * (time.perf_counter() - start))
    return least


def row(what: str, value: str, limit: str, met: bool | None) -> None:
    """One line of the table; None where there is no limit to meet."""
    print(f"{what:<58} {value:>22} {limit:>22}  {'' if met is None else 'yes' if met else 'NO'}")


def kernel_rows() -> None:
    """Line sets and ranking of all demo parts, against the bare kernel's hidden lines of the same views."""
    warm, cold, rankings = [], [], []
    for slug in PARTS:
        shape, part = part_of_recipe(demo_recipe(slug))
        kept = HiddenLines(shape, part)
        looks = [usual(side).look for side in SIDES]

        def bare(shape: Shape = shape, looks: list[Look] = looks) -> object:
            return [bare_hidden_lines(shape, look) for look in looks]

        def again(kept: HiddenLines = kept, looks: list[Look] = looks) -> object:
            return [kept.line_set(look) for look in looks]

        def afresh(shape: Shape = shape, part: Part = part, looks: list[Look] = looks) -> object:
            return [HiddenLines(shape, part).line_set(look) for look in looks]

        def all_attitudes(shape: Shape = shape, part: Part = part, looks: list[Look] = looks) -> object:
            lines = HiddenLines(shape, part).line_sets(looks)
            return rank(ProjectedPart(part, dict(zip(SIDES, lines, strict=True)), {}))

        kernel, again_ms, afresh_ms, ranking = milliseconds(bare, again, afresh, all_attitudes)
        warm.append(again_ms / kernel)
        cold.append(afresh_ms / kernel)
        rankings.append(6 * ranking / kernel)
    row("line set of one view ÷ bare kernel, warm, median", f"{median(warm):.2f} ×", "1.5 ×", median(warm) <= 1.5)
    row("the same, worst part", f"{max(warm):.2f} ×", "1.5 ×", max(warm) <= 1.5)
    row("the same, first view of a part, median", f"{median(cold):.2f} ×", "1.6 ×", median(cold) <= 1.6)
    row("ranking all attitudes ÷ one bare run, median", f"{median(rankings):.1f} ×", "8 ×", median(rankings) <= 8)


def section_rows() -> None:
    """A section through the middle of every demo part, against the bare kernel's cut and hidden lines."""
    shares, details = [], []
    for slug in PARTS:
        shape, part = part_of_recipe(demo_recipe(slug))
        frame = usual("-y").look.frame
        x, y, z = part.centroid
        # A plane a little off the middle, where parts often have faces of their own.
        path = ((x, y + 0.013 * part.size, z), (x + 1, y + 0.013 * part.size, z))
        look = Look(frame, Cut("full", path, frame[1], frame[2]))

        def bare(shape: Shape = shape, part: Part = part, look: Look = look) -> object:
            assert look.cut is not None
            return bare_hidden_lines(bare_cut(shape, part, look.cut), look)

        def section(shape: Shape = shape, part: Part = part, look: Look = look) -> object:
            assert look.cut is not None
            return SectionLines(shape, part, look.cut).line_set(look)

        lines = HiddenLines(shape, part).line_set(Look(frame))
        clip = Clip((x, z), part.size / 6)

        def detail(lines: LineSet = lines, clip: Clip = clip) -> object:
            return clipped(lines, clip)

        kernel, own, enlarged = milliseconds(bare, section, detail, rounds=8)
        shares.append(own / kernel)
        details.append(enlarged)
    row("section ÷ (bare cut + bare hidden lines), median", f"{median(shares):.2f} ×", "2 ×", median(shares) <= 2)
    row("the same, worst part", f"{max(shares):.2f} ×", "2 ×", max(shares) <= 2)
    row("detail of a view, worst part", f"{max(details):.1f} ms", "no kernel", None)


def auxiliary_row() -> None:
    """An auxiliary view of a part whose other views are drawn, as it comes while a face is chosen."""
    shape = comb(14)
    part = described_part(shape)
    kept = HiddenLines(shape, part)
    front = usual("-y").look
    kept.line_set(front)
    [spent] = milliseconds(lambda: kept.line_set(folded(front, (0.6, 0.8))))
    row(f"auxiliary view, {len(part.faces)} faces", f"{spent:.0f} ms", "100 ms", spent <= 100)


def assembly_rows() -> None:
    """Six sides of an assembly of forty parts against the bare kernel, and how long it takes to say what overlaps in it
    and how it comes apart.
    """
    written = demo_assembly("shuttle")
    rows = [
        own.model_copy(update={"id": f"{own.id}-{row}", "at": (own.at[0], own.at[1] + 60 * row, own.at[2])})
        for row in range(6)
        for own in written.components
    ]
    assembly = written.model_copy(update={"components": tuple(rows[:40])})
    solids = {own.part: part_of_recipe(component_recipe(own.part)) for own in written.components}
    shape, part = assembled(assembly, solids)
    looks = [usual(side).look for side in SIDES]
    kernel, sides = milliseconds(
        lambda: [bare_hidden_lines(shape, look) for look in looks],
        lambda: HiddenLines(shape, part).line_sets(looks),
        rounds=4,
    )
    share = sides / kernel
    row(f"six sides of {part.solids} parts ÷ bare kernel", f"{share:.2f} ×", "1.5 ×", share <= 1.5)
    mesh = triangulated(shape, part)
    [spent] = milliseconds(lambda: (overlaps(assembly, solids), pulled_apart(part, mesh)), rounds=2)
    row(f"what overlaps in {part.solids} parts, how they come apart", f"{spent / 1000:.1f} s", "", None)


def check_row() -> None:
    """A whole check of a three-view sheet with its line sets at hand."""
    task = EXERCISES[0].task
    view = project(*part_of_recipe(demo_recipe("reed-clamp")))
    sheet = model_sheet(view, task, Drafter("A", "B", "2026-11-20"))
    [spent] = milliseconds(lambda: report(check(view, task, sheet)))
    row(f"whole check, 3 views, {len(sheet.dimensions)} dimensions", f"{spent:.1f} ms", "25 ms", spent <= 25)


def stairs(steps: int) -> Recipe:
    """A flight of stairs: 2 × steps + 4 faces."""
    profile = [[0.0, 0.0], [10.0 * steps, 0.0]]
    for step in range(steps, 0, -1):
        profile += [[10.0 * step, 7.0 * (steps - step + 1)], [10.0 * (step - 1), 7.0 * (steps - step + 1)]]
    return Recipe.model_validate(
        {"name": "s", "features": [{"kind": "extrude", "plane": "xz", "profile": profile, "depth": 30}]}
    )


def growth_rows() -> None:
    """Determinacy over the number of faces, with as many dimensions as the part needs; twice may take four times."""
    times = []
    for steps in (3, 8, 18, 38, 78, 158):
        _, part = part_of_recipe(stairs(steps))
        levels = form_model(part)
        said = [
            Equation(f"{axis}{index}", {levels.along(axis)[0]: -1.0, index: 1.0})
            for axis in AXES
            for index in levels.along(axis)[1:]
        ]

        def solve(part: Part = part, said: list[Equation] = said) -> object:
            return read(form_model(part), [*said, Equation("again", said[0].row)])

        times.append((len(part.faces), milliseconds(solve, rounds=5)[0]))
        if len(part.faces) == 40:
            row(
                f"determinacy, 40 faces, {len(said) + 1} dimensions",
                f"{times[-1][1]:.1f} ms",
                "25 ms",
                times[-1][1] <= 25,
            )
    for (few, before), (many, after) in pairwise(times):
        both = f"{before:.1f} → {after:.1f} ms"
        row(f"determinacy, {few} → {many} faces", both, "4.0 ×", after / before <= 4.0)


def reader_row() -> None:
    """The reader's eye on a sheet of the same part with three sizes open, from a parsed document to what is sent."""
    task = EXERCISES[0].task
    view = project(*part_of_recipe(demo_recipe("reed-clamp")))
    sheet = model_sheet(view, task, Drafter("A", "B", "2026-11-20"))
    short = sheet.model_copy(update={"dimensions": sheet.dimensions[3:]})
    [spent] = milliseconds(lambda: reading_answer(DimensionSurvey(Survey(view, task, short)), "everything"))
    row("reader's eye while a sheet is dimensioned", f"{spent:.1f} ms", "60 ms", spent <= 60)


def analysis_rows() -> None:
    """What a drawing demands, for a part of 60 faces beside its six sides bare, and for a STEP file of 1000."""
    shape = comb(14)
    part = described_part(shape)
    looks = [usual(side).look for side in SIDES]
    kernel, whole = milliseconds(
        lambda: [bare_hidden_lines(shape, look) for look in looks],
        lambda: demands(project(shape, part)),
        rounds=5,
    )
    ratio = whole / kernel
    row(f"analysing {len(part.faces)} faces ÷ six bare sides", f"{ratio:.1f} ×", "10 ×", ratio <= 10)
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "comb.step"
        write_step(comb(249), "mm", path)
        notes: list[str] = []
        start = time.perf_counter()
        loaded, known, _ = load_part(path)
        described(loaded, known, None, lambda _, doing: notes.append(doing))
        spent = time.perf_counter() - start
        limit = Settings().kernel_seconds
        row(
            f"STEP of {len(known.faces)} faces analysed, {len(set(notes))} steps of progress",
            f"{spent:.0f} s",
            f"{limit:.0f} s",
            spent <= limit,
        )


def described_part(shape: Shape) -> Part:
    """A solid as plain data."""
    return examine(shape, part_hash="", name="comb", unit="mm", natural_up="+z")


def main() -> None:
    """Print the table."""
    print(f"{'what':<58} {'measured':>22} {'must reach':>22}  met")
    kernel_rows()
    section_rows()
    auxiliary_row()
    check_row()
    growth_rows()
    reader_row()
    analysis_rows()
    assembly_rows()
    sheet_rows(row, milliseconds)
    set_rows(row, milliseconds)
    store_rows(row, milliseconds)


if __name__ == "__main__":
    main()
