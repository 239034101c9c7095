"""The speed table: each figure beside the bare kernel, measured in the same run."""

import sys
import time
from collections.abc import Callable
from itertools import pairwise
from pathlib import Path
from statistics import median

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from maqueta.checking.report import check, report
from maqueta.demo.model_sheet import Drafter, model_sheet
from maqueta.demo.workshop import EXERCISES, PARTS, demo_recipe
from maqueta.dimensioning.determinacy import read
from maqueta.dimensioning.size_model import size_model
from maqueta.projection.attitude import SIDES, usual
from maqueta.projection.hidden_lines import HiddenLines, bare_hidden_lines
from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import rank
from maqueta.solid.recipe import Recipe
from maqueta.solid.source import part_of_recipe


def milliseconds(work: Callable[[], object], rounds: int = 15) -> float:
    """Median time of a piece of work, after one warm-up."""
    work()
    times = []
    for _ in range(rounds):
        start = time.perf_counter()
        work()
        times.append(1000 * (time.perf_counter() - start))
    return median(times)


def row(what: str, value: str, limit: str, met: bool) -> None:
    """One line of the table."""
    print(f"{what:<58} {value:>22} {limit:>22}  {'yes' if met else 'NO'}")


def kernel_rows() -> None:
    """Line sets and ranking of all demo parts, against the bare kernel's hidden lines of the same views."""
    ratios, rankings = [], []
    for slug in PARTS:
        shape, part = part_of_recipe(demo_recipe(slug))
        view = HiddenLines(shape, part)
        frames = [usual(side).frame() for side in SIDES]
        bare = milliseconds(lambda shape=shape, frames=frames: [bare_hidden_lines(shape, f) for f in frames], 5)
        whole = milliseconds(lambda view=view, frames=frames: [view.line_set(f) for f in frames], 5)
        ratios.append(whole / bare)

        def all_attitudes(view: HiddenLines = view, part=part, frames=frames) -> object:
            sides = dict(zip(SIDES, [view.line_set(f) for f in frames], strict=True))
            return rank(ProjectedPart(part, sides, {}))

        rankings.append(milliseconds(all_attitudes, 5) / (bare / 6))
    row(
        "line set of one view ÷ bare kernel, median of the parts",
        f"{median(ratios):.2f} ×",
        "1.5 ×",
        median(ratios) <= 1.5,
    )
    row("the same, worst part", f"{max(ratios):.2f} ×", "1.5 ×", max(ratios) <= 1.5)
    row("ranking all attitudes ÷ one bare run, median", f"{median(rankings):.1f} ×", "8 ×", median(rankings) <= 8)


def check_row() -> None:
    """A whole check of a three-view sheet with its line sets at hand."""
    task = EXERCISES[0].task
    view = project(*part_of_recipe(demo_recipe("reed-clamp")))
    sheet = model_sheet(view, task, Drafter("A", "B", "2026-11-20"))
    spent = milliseconds(lambda: report(check(view, task, sheet)))
    row(f"whole check, 3 views, {len(sheet.dimensions)} dimensions", f"{spent:.1f} ms", "60 ms", spent <= 60)


def stairs(steps: int) -> Recipe:
    """A flight of stairs: 2 × steps + 4 faces."""
    profile = [[0.0, 0.0], [10.0 * steps, 0.0]]
    for step in range(steps, 0, -1):
        profile += [[10.0 * step, 7.0 * (steps - step + 1)], [10.0 * (step - 1), 7.0 * (steps - step + 1)]]
    return Recipe.model_validate(
        {"name": "s", "features": [{"kind": "extrude", "plane": "xz", "profile": profile, "depth": 30}]}
    )


def growth_rows() -> None:
    """Determinacy solve over the number of faces; doubling them may take four times as long."""
    times = []
    for steps in (3, 8, 18, 38, 78):
        _, part = part_of_recipe(stairs(steps))

        def solve(part=part) -> object:
            return read(size_model(part), [])

        times.append((len(part.faces), milliseconds(solve, 5)))
    for (few, before), (many, after) in pairwise(times):
        limit = (many / few) ** 2
        row(
            f"determinacy, {few} → {many} faces",
            f"{before:.1f} → {after:.1f} ms",
            f"{limit:.1f} ×",
            after / before <= limit,
        )


def main() -> None:
    """Print the table."""
    print(f"{'what':<58} {'measured':>22} {'must reach':>22}  met")
    kernel_rows()
    check_row()
    growth_rows()


if __name__ == "__main__":
    main()
