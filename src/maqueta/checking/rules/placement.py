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
        "placement.gap",
        "warning",
        "displaced",
        "Extension lines touch the outline",
        "ASME Y14.5: a visible gap, about 1.5 mm (Mem.)",
        (
            "",
            "The extension lines of {count} sizes, such as {text}, touch the outline.",
            "a gap of about 1.5 mm",
            "no gap",
        ),
    ),
    rule(
        "placement.reading",
        "warning",
        "doubt",
        "Texts read from different sides",
        "ISO 129-1: from below and from the right; ASME Y14.5: from below (Mem.)",
        ("away", "{text} is read from above or from the left.", "read from below or from the right", "turned away"),
        ("turned", "{text} is turned, where all texts are to be read from below.", "upright texts", "{count} turned"),
        (
            "mixed",
            "Some upright sizes are turned and some are not, such as {text}.",
            "all alike",
            "{count} the other way",
        ),
    ),
    rule(
        "placement.lettering",
        "warning",
        "doubt",
        "Lettering is too low or uneven",
        "ISO 3098: 2.5 mm; ASME Y14.2: 0.12 in (Mem.)",
        (
            "low",
            "{count} dimension texts, such as {text}, are {height:.1f} mm high on paper.",
            "{least:.1f} mm or more",
            "{height:.1f} mm",
        ),
        (
            "uneven",
            "Dimension texts are from {least:.1f} to {height:.1f} mm high; {text} is higher than others.",
            "one height",
            "{least:.1f} to {height:.1f} mm",
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
