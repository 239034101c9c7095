"""Rules about where dimensions stand."""

from typing import Final

from maqueta.checking.rules.rule import PRACTICE, Rule, rule

RULES: Final[tuple[Rule, ...]] = (
    rule(
        "placement.order",
        "warning",
        "displaced",
        "A shorter dimension stands outside a longer one",
        "ISO 129-1, ASME Y14.5 (Mem.)",
        (
            "",
            "{text} in the {name} view stands outside {other}, which is longer: its extension lines cross the other.",
            "{text} nearer to the view than {other}",
            "{text} outside",
        ),
    ),
    rule(
        "placement.spacing",
        "warning",
        "displaced",
        "Dimensions stand too near",
        "ASME Y14.5: 10 mm to the outline, 6 mm between rows (Mem.)",
        (
            "first",
            "{text} in the {name} view stands {distance:.1f} mm from the outline.",
            "{least:g} mm or more",
            "{distance:.1f} mm",
        ),
        (
            "next",
            "{text} and {other} in the {name} view stand {distance:.1f} mm apart.",
            "{least:g} mm or more",
            "{distance:.1f} mm",
        ),
    ),
    rule(
        "placement.on-part",
        "warning",
        "displaced",
        "A dimension is laid over the view",
        PRACTICE,
        ("", "{text} lies over the {name} view; there is room outside.", "outside the view", "over it"),
    ),
    rule(
        "placement.crossing",
        "warning",
        "surplus",
        "Dimension lines are crossed",
        "ISO 129-1, ASME Y14.5 (Mem.)",
        ("", "The dimension lines of {text} and {other} cross.", "no crossing", "{text} and {other} cross"),
        (
            "extension",
            "An extension line of {other} runs through the dimension line of {text}.",
            "no line through a dimension line",
            "crossed by {other}",
        ),
    ),
    rule(
        "placement.overlap",
        "warning",
        "doubt",
        "Texts lie over each other",
        PRACTICE,
        ("", "The texts {text} and {other} lie over each other.", "texts apart", "{text} over {other}"),
    ),
)
