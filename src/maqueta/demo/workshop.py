"""Parts and exercises of the loom workshop."""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from pathlib import Path
from typing import Any, Final

from maqueta.demo.school_form import school_form
from maqueta.solid.recipe import Recipe
from maqueta.task.exercise import Exercise

_FOLDER: Final = Path(__file__).parent / "parts"

#: The parts by level: plain steps and single holes; several features and round shapes; forms that meet and blend; what
#: takes sections, details and auxiliary views.
LEVELS: Final = {
    1: (
        "shuttle-rest",
        "cloth-beam-wedge",
        "batten-stop",
        "lease-stick-holder",
        "reed-cap",
        "breast-beam-spacer",
        "tie-up-bar",
        "ratchet-pawl",
    ),
    2: (
        "reed-clamp",
        "warp-beam-bearing",
        "batten-foot",
        "tension-wheel",
        "heddle-guide",
        "pedal-hinge",
        "crank-plate",
        "shaft-collar",
    ),
    3: (
        "pawl-carrier",
        "treadle-bracket",
        "bobbin-flange",
        "temple-arm",
        "shuttle-race-guide",
        "warp-lever",
        "beam-head",
        "comb-foot",
    ),
    4: (
        "bobbin-bush",
        "brake-drum",
        "ribbed-bearing",
        "heddle-plate",
        "crank-flange",
        "spindle-pin",
        "slanted-seat",
        "beam-casting",
    ),
}
PARTS: Final = tuple(slug for slugs in LEVELS.values() for slug in slugs)


def demo_recipe_json(slug: str) -> dict[str, Any]:
    """The recipe of one of the demo parts as it was written."""
    recipe: dict[str, Any] = json.loads((_FOLDER / f"{slug}.json").read_text("utf-8"))
    return recipe


def demo_recipe(slug: str) -> Recipe:
    """One of the demo parts."""
    return Recipe.model_validate(demo_recipe_json(slug))


@dataclass(frozen=True, slots=True)
class DemoExercise:
    """An exercise of the evening school; `due_in_days` counts from the day the demo is loaded.

    `changes` lines of the given views are chosen by the program.
    """

    part: str
    task: Exercise
    due_in_days: int
    varied: bool = False
    changes: int = 0


_FIELDS: Final = ("title", "drafter", "class", "date", "scale")


def _task(title: str, **asked: object) -> Exercise:
    return Exercise.model_validate({"title": title, "title_fields": _FIELDS, **asked})


def _given(title: str, drafting: Mapping[str, object]) -> Exercise:
    """An exercise whose views are set out; only lines are asked."""
    return Exercise.model_validate(
        {
            "title": title,
            "views": ("front", "top", "right"),
            "pictorial": "unwanted",
            "dimensioning": {"required": False},
            "drafting": drafting,
        }
    )


EXERCISES: Final = (
    DemoExercise(
        "reed-clamp",
        _task(
            "Reed clamp",
            views=("front", "top", "right"),
            pictorial="allowed",
            scale="1:1",
            front={"accept": [{"side": "-y", "up": "+z"}], "natural_up": "+z"},
        ),
        -3,
    ),
    DemoExercise(
        "warp-beam-bearing",
        _task(
            "Warp-beam bearing",
            angle="first",
            sheet_form=school_form(),
            views=("front", "top"),
            front={"natural_up": "+z"},
            scale="1:1",
            dimensioning={"insight": "everything"},
        ),
        4,
    ),
    DemoExercise(
        "pedal-hinge",
        _task(
            "Pedal hinge",
            units="inch",
            paper="ANSI B",
            views=("front", "top", "right"),
            pictorial="unwanted",
            scale="1:1",
            front={"natural_up": "+z"},
            dimensioning={"style": "asme", "decimals": 3, "insight": "places"},
        ),
        9,
    ),
    DemoExercise(
        "shuttle-rest",
        _task(
            "Shuttle rest",
            views=("front", "top", "right"),
            scale="1:1",
            dimensioning={"insight": "counts"},
            checks=2,
        ),
        16,
    ),
    DemoExercise(
        "breast-beam-spacer",
        _task("Breast-beam spacer, your own sizes", views=("front", "top"), front={"natural_up": "+z"}),
        23,
        varied=True,
    ),
    DemoExercise("batten-stop", _given("Batten stop, the third view", {"kind": "third view", "shown": False}), 30),
    DemoExercise(
        "lease-stick-holder", _given("Lease-stick holder, wrong lines", {"kind": "wrong lines"}), 37, changes=5
    ),
    DemoExercise(
        "tie-up-bar",
        _task(
            "Tie-up bar, drafted by hand", views=("front", "top", "right"), drafting={"kind": "drafted"}, scale="1:1"
        ),
        44,
    ),
    DemoExercise(
        "ribbed-bearing",
        _task(
            "Ribbed bearing, cut open",
            views=("front", "top"),
            special=[{"kind": "section", "through": [[70, 25, 30]]}],
            front={"accept": [{"side": "-y", "up": "+z"}], "natural_up": "+z"},
            pictorial="unwanted",
            paper="A2",
            scale="1:1",
        ),
        -2,
    ),
    DemoExercise(
        "spindle-pin",
        _task(
            "Spindle pin, its groove enlarged",
            views=("front", "top"),
            special=[{"kind": "detail", "of": [48.8, 0, 9.4]}],
            front={"accept": [{"side": "-y", "up": "+z"}]},
            pictorial="unwanted",
            scale="1:1",
        ),
        11,
    ),
    DemoExercise(
        "slanted-seat",
        _task(
            "Slanted seat, its slope in true shape",
            views=("front", "top"),
            special=[{"kind": "auxiliary", "shows": {"normal": [0.6689647316, 0, 0.7432941462]}}],
            front={"accept": [{"side": "-y", "up": "+z"}]},
            pictorial="unwanted",
            paper="A2",
            scale="1:1",
        ),
        18,
    ),
)
