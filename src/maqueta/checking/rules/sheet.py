"""Rules about the sheet as a whole: scale, layout, title block."""

from typing import Final

from maqueta.checking.rules.rule import PRACTICE, Rule, rule

RULES: Final[tuple[Rule, ...]] = (
    rule(
        "scale.stated",
        "error",
        "displaced",
        "Stated scale and drawn scale differ",
        "ISO 5455 (Mem.)",
        ("", "The title block says {stated}, the views are drawn at {drawn}.", "{drawn} stated", "{stated}"),
        (
            "unreadable",
            "The scale in the title block, “{stated}”, cannot be read; the views are drawn at {drawn}.",
            "{drawn} stated",
            "{stated}",
        ),
    ),
    rule(
        "scale.mixed",
        "error",
        "displaced",
        "Principal views at different scales",
        "ISO 5455 (Mem.)",
        (
            "",
            "The {name} view is drawn at {scale}, the other views at {drawn}.",
            "{drawn} for all principal views",
            "{scale}",
        ),
    ),
    rule(
        "scale.nonstandard",
        "warning",
        "doubt",
        "Not a recommended scale",
        "ISO 5455 (Mem.)",
        (
            "",
            "{drawn} is not a recommended scale; the nearest is {near}.",
            "a recommended scale such as {near}",
            "{drawn}",
        ),
    ),
    rule(
        "scale.asked",
        "error",
        "displaced",
        "Not the scale asked for",
        PRACTICE,
        ("", "The exercise asks for {asked}, the views are drawn at {drawn}.", "{asked}", "{drawn}"),
    ),
    rule(
        "scale.fill",
        "warning",
        "doubt",
        "The scale does not fit the sheet",
        PRACTICE,
        (
            "larger",
            "{larger} would still leave {gap:.0f} mm between the views; {drawn} wastes the sheet.",
            "{larger}",
            "{drawn}",
        ),
        (
            "crowded",
            "{drawn} leaves {gap:.0f} mm between the views, too little for dimensions; {smaller} would leave room.",
            "{smaller}",
            "{drawn}",
        ),
    ),
    rule(
        "layout.outside",
        "error",
        "displaced",
        "Something is outside the drawing area",
        "ISO 5457 (Mem.)",
        (
            "border",
            "{what} reaches {reach:.1f} mm beyond the border.",
            "inside the border",
            "{reach:.1f} mm beyond",
        ),
        ("title", "{what} lies over the title block.", "clear of the title block", "over it"),
    ),
    rule(
        "layout.overlap",
        "error",
        "displaced",
        "Views overlap",
        PRACTICE,
        ("", "The {first} view and the {second} view overlap or touch.", "a gap between them", "none"),
    ),
    rule(
        "layout.centring",
        "warning",
        "displaced",
        "The views are off centre",
        PRACTICE,
        (
            "",
            "The group of views leaves {left:.0f} mm left, {right:.0f} mm right, {below:.0f} mm below and "
            "{above:.0f} mm above; even gaps would be {across:.0f} mm and {up:.0f} mm.",
            "{across:.0f} mm left and right, {up:.0f} mm above and below",
            "{left:.0f}, {right:.0f}, {below:.0f} and {above:.0f} mm",
        ),
    ),
    rule(
        "layout.gaps",
        "warning",
        "displaced",
        "Unequal gaps",
        PRACTICE,
        (
            "",
            "The gaps {direction} are {gaps} mm; even ones would be {sum}.",
            "{even:.0f} mm each",
            "{gaps} mm",
        ),
    ),
    rule(
        "title.missing",
        "error",
        "missing",
        "A title-block field is empty",
        "ISO 7200 (Mem.)",
        ("", "The field “{field}” of the title block is empty.", "{field} filled in", "empty"),
    ),
    rule(
        "title.lettering",
        "warning",
        "doubt",
        "The title block is not in capitals",
        "ISO 3098, ASME Y14.2 (Mem.)",
        ("", "Small letters stand in the title block: {fields}.", "capitals", "small letters in {fields}"),
    ),
    rule(
        "title.name",
        "warning",
        "doubt",
        "The sheet is named otherwise than asked",
        PRACTICE,
        ("", "The name of the sheet is {name}; asked is “{asked}”.", "{asked}", "{name}"),
    ),
)
