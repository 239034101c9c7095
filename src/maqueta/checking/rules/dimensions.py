"""Rules about dimensions."""

from typing import Final

from maqueta.checking.rules.rule import PRACTICE, Rule, rule

RULES: Final[tuple[Rule, ...]] = (
    rule(
        "dimensions.undetermined",
        "error",
        "open",
        "A size or position is missing",
        "ISO 129-1, ASME Y14.5: complete definition (Mem.)",
        (
            "position",
            "{what} can still move along the {direction}: its place is not given.",
            "one more dimension along the {direction}, such as from the {side}",
            "none",
        ),
        ("slope", "The slope of {what} is not given.", "one more angle or length", "none"),
        ("radius", "The diameter of {what} is not given.", "one diameter or radius", "none"),
        ("mixed", "{what} can still change: a size is not given.", "one more dimension", "none"),
    ),
    rule(
        "dimensions.redundant",
        "error",
        "chain",
        "A closed chain of dimensions",
        "ISO 129-1, ASME Y14.5: no size twice (Mem.)",
        (
            "",
            "{members} close a chain: each follows from the others. {surplus} could go.",
            "an open chain",
            "{count} dimensions in a loop",
        ),
        ("drawn", "{surplus} is known from the drawing itself and need not be written.", "nothing", "{surplus}"),
    ),
    rule(
        "dimensions.repeated",
        "error",
        "chain",
        "The same size is given twice",
        "ISO 129-1, ASME Y14.5: no size twice (Mem.)",
        ("", "The size {text} is given twice.", "once", "twice"),
    ),
    rule(
        "dimensions.overall",
        "error",
        "missing",
        "An overall size is missing",
        PRACTICE,
        ("", "The overall {direction}, {size}, is not given.", "overall {direction} {size}", "not given"),
    ),
    rule(
        "dimensions.value",
        "error",
        "displaced",
        "A written value is wrong",
        "ISO 129-1 (Mem.)",
        ("", "“{text}” is written where the part measures {true}.", "{true}", "{text}"),
    ),
    rule(
        "dimensions.to-hidden",
        "error",
        "displaced",
        "A dimension is taken from a hidden line",
        "ISO 129-1, ASME Y14.5 (Mem.)",
        (
            "",
            "The dimension {text} in the {name} view is taken from a hidden line.",
            "taken from a visible line",
            "taken from a hidden line",
        ),
    ),
    rule(
        "dimensions.form",
        "warning",
        "doubt",
        "A size is written in another form than is usual",
        "ISO 129-1, ASME Y14.5: ⌀ for full circles, R for arcs, a number of alike ones (Mem.)",
        (
            "radius",
            "The full circle {text} in the {name} view is given by its radius.",
            "a diameter, ⌀",
            "a radius, {text}",
        ),
        ("diameter", "The arc {text} in the {name} view is given by a diameter.", "a radius, R", "a diameter, {text}"),
        ("sign", "{text} in the {name} view has no ⌀ or R before it.", "⌀ or R", "no sign"),
        (
            "typical",
            "“{text}” says that it is typical; a number, such as 4×, tells how many alike there are.",
            "a number",
            "“typical”",
        ),
    ),
    rule(
        "dimensions.on-pictorial",
        "error",
        "surplus",
        "A dimension on the pictorial view",
        PRACTICE,
        (
            "",
            "The dimension {text} stands on the pictorial view, which is never dimensioned.",
            "no dimension there",
            "{text}",
        ),
    ),
)
