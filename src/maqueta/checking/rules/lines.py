"""Rules about the lines of the views."""

from typing import Final

from maqueta.checking.rules.rule import Rule, rule

RULES: Final[tuple[Rule, ...]] = (
    rule(
        "lines.missing-visible",
        "error",
        "missing",
        "Visible lines are missing",
        "ISO 128-3, ASME Y14.3 (Mem.)",
        (
            "",
            "{count} stretches of visible line, {length:.0f} mm in all, are missing in the {name} view.",
            "{length:.0f} mm more of visible line",
            "not drawn",
        ),
        (
            "one",
            "A visible line, {length:.1f} mm of it, is missing in the {name} view.",
            "a visible line of {length:.1f} mm",
            "not drawn",
        ),
    ),
    rule(
        "lines.missing-hidden",
        "error",
        "missing",
        "Hidden lines are missing",
        "ISO 128-3, ASME Y14.3 (Mem.)",
        (
            "",
            "{count} hidden lines, {length:.0f} mm in all, are missing in the {name} view.",
            "{count} hidden lines",
            "none of them",
        ),
        (
            "one",
            "One hidden line, {length:.0f} mm long, is missing in the {name} view.",
            "one hidden line",
            "not drawn",
        ),
    ),
    rule(
        "lines.hidden-on-pictorial",
        "error",
        "surplus",
        "Hidden lines in the pictorial view",
        "ISO 5456-3 (Mem.)",
        (
            "",
            "The pictorial view shows {count} hidden lines; it is drawn without them.",
            "visible lines only",
            "{count} hidden lines",
        ),
    ),
    rule(
        "lines.tangent-edge",
        "error",
        "surplus",
        "A smooth transition is drawn as an edge",
        "ISO 128-3 (Mem.)",
        (
            "",
            "{count} lines in the {name} view mark places where two faces run smoothly into each other.",
            "no line at a smooth transition",
            "{count} lines",
        ),
        (
            "one",
            "One line in the {name} view marks a place where two faces run smoothly into each other.",
            "no line at a smooth transition",
            "one line",
        ),
    ),
    rule(
        "lines.missing-centre",
        "warning",
        "missing",
        "Centre marks or centre lines are missing",
        "ISO 128-2, ASME Y14.2 (Mem.)",
        (
            "mark",
            "{count} of the circles in the {name} view have no centre mark.",
            "a centre mark on every circle",
            "{count} without",
        ),
        (
            "line",
            "{count} of the round features seen from the side in the {name} view have no centre line.",
            "a centre line along every round feature",
            "{count} without",
        ),
    ),
    rule(
        "lines.extra",
        "error",
        "surplus",
        "Lines that are no edge of the part",
        "ISO 128-3, ASME Y14.3 (Mem.)",
        (
            "",
            "{count} lines in the {name} view, {length:.0f} mm in all, correspond to no edge of the part.",
            "edges of the part only",
            "{count} lines too many",
        ),
        (
            "one",
            "A line in the {name} view, {length:.1f} mm long, corresponds to no edge of the part.",
            "no line there",
            "one line too many",
        ),
    ),
    rule(
        "lines.displaced",
        "error",
        "displaced",
        "A line is a little off its place",
        "ISO 128-3, ASME Y14.3 (Mem.)",
        (
            "",
            "A line of {length:.0f} mm in the {name} view should be {distance:.1f} mm further {way}.",
            "{distance:.1f} mm further {way}",
            "{distance:.1f} mm off",
        ),
        (
            "circle",
            "A circle of ⌀{diameter:.4g} in the {name} view should be {distance:.1f} mm further {way}.",
            "{distance:.1f} mm further {way}",
            "{distance:.1f} mm off",
        ),
    ),
    rule(
        "lines.wrong-kind",
        "error",
        "displaced",
        "Visible and hidden are taken for each other",
        "ISO 128-2, ASME Y14.2 (Mem.)",
        (
            "hidden",
            "{length:.0f} mm of line in the {name} view are drawn as hidden and can be seen.",
            "visible lines",
            "hidden lines",
        ),
        (
            "visible",
            "{length:.0f} mm of line in the {name} view are drawn as visible and lie behind the part.",
            "hidden lines",
            "visible lines",
        ),
    ),
    rule(
        "lines.style",
        "warning",
        "doubt",
        "Kinds of line cannot be told apart",
        "ISO 128-2, ASME Y14.2: wide to narrow 2:1, broken lines (Mem.)",
        (
            "solid",
            "Hidden lines in the {name} view are drawn without dashes: only their layer tells what they are.",
            "broken lines for hidden edges",
            "continuous lines",
        ),
    ),
)
