"""The catalogue of rules: severity, shape of the mark, wording and the standard or practice behind each.

"Mem." marks what is known of a standard from memory. Adding a rule: one function in its criterion's module, one
entry here, its tests.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.checking.exercise import CRITERIA, Criterion
from maqueta.checking.finding import Finding, Severity

MarkShape = Literal["missing", "surplus", "displaced", "chain", "open", "doubt"]


@dataclass(frozen=True, slots=True)
class Wording:
    """Templates, filled with a finding's parameters."""

    message: str
    expected: str
    found: str


@dataclass(frozen=True, slots=True)
class Rule:
    """One rule: `shape` is the mark it is shown with; `wordings` by variant, "" the usual one."""

    id: str
    severity: Severity
    shape: MarkShape
    heading: str
    basis: str
    wordings: Mapping[str, Wording]

    @property
    def criterion(self) -> Criterion:
        """The criterion a rule belongs to: the first part of its id."""
        head = self.id.split(".")[0]
        return next(c for c in CRITERIA if c == head)


def _rule(
    id_: str, severity: Severity, shape: MarkShape, heading: str, basis: str, *wordings: tuple[str, str, str, str]
) -> Rule:
    return Rule(id_, severity, shape, heading, basis, {variant: Wording(m, e, f) for variant, m, e, f in wordings})


_PRACTICE: Final = "common practice, no source"

_RULES: Final = (
    _rule(
        "front.side",
        "error",
        "displaced",
        "Another side is the better front view",
        _PRACTICE,
        (
            "listed",
            "The front view shows the side {side}; this exercise takes {accepted} as front.",
            "front view on {accepted}",
            "front view on {side}",
        ),
        (
            "ranked",
            "The side {side} reaches {score:.0f} points as front view, {best_side} {best:.0f}. {reason}",
            "front view on {best_side}, or within {margin:g} points of it",
            "front view on {side}, {gap:.0f} points behind",
        ),
    ),
    _rule(
        "front.turn",
        "error",
        "displaced",
        "The front view is turned",
        _PRACTICE,
        (
            "",
            "The right side is shown, but turned: {up} points up on the sheet, it should be {best_up}.",
            "{best_up} up",
            "{up} up",
        ),
    ),
    _rule(
        "angle.arrangement",
        "error",
        "displaced",
        "Views follow the other angle of projection",
        "ISO 5456-2, ASME Y14.3 (Mem.)",
        (
            "",
            "This exercise asks for {angle} angle: {placed}.",
            "{angle}-angle arrangement",
            "{other}-angle arrangement",
        ),
    ),
    _rule(
        "angle.mixed",
        "error",
        "displaced",
        "First and third angle are mixed",
        "ISO 5456-2, ASME Y14.3 (Mem.)",
        ("", "Some views follow one angle and some the other: {placed}.", "one angle throughout", "{placed}"),
    ),
    _rule(
        "angle.symbol",
        "error",
        "doubt",
        "Angle symbol",
        "ISO 5456-2 (Mem.)",
        ("missing", "The title block carries no angle symbol.", "the {angle}-angle symbol", "none"),
        (
            "contradicts",
            "The title block shows the {symbol}-angle symbol, but the exercise asks for {angle} angle.",
            "the {angle}-angle symbol",
            "the {symbol}-angle symbol",
        ),
    ),
    _rule(
        "views.missing",
        "error",
        "missing",
        "A view is missing",
        "ISO 128-3, ASME Y14.3 (Mem.)",
        ("", "The {name} view is asked for and is not on the sheet.", "{name} view", "not drawn"),
    ),
    _rule(
        "views.repeated",
        "warning",
        "surplus",
        "Two views show the same",
        "ISO 128-3: as few views as needed (Mem.)",
        ("", "The {second} view repeats what the {first} view shows; one of them is enough.", "one of them", "both"),
    ),
    _rule(
        "views.surplus",
        "note",
        "surplus",
        "A view that was not asked for",
        _PRACTICE,
        ("", "The {name} view is not asked for.", "no {name} view", "{name} view"),
    ),
    _rule(
        "alignment.offset",
        "error",
        "displaced",
        "Views out of line",
        "ISO 5456-2 (Mem.)",
        (
            "",
            "The {name} view stands {offset:.1f} mm too far {way}: it must be in line with the front view.",
            "in line with the front view, within {allowed:g} mm",
            "{offset:.1f} mm {way}",
        ),
    ),
    _rule(
        "alignment.turned",
        "error",
        "displaced",
        "A view is turned against its neighbours",
        "ISO 5456-2 (Mem.)",
        (
            "",
            "The {name} view shows the right side, but turned by {degrees:.0f}° in its plane.",
            "{expected_up} up in this view",
            "{up} up",
        ),
    ),
    _rule(
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
    _rule(
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
    _rule(
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
    _rule(
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
    _rule(
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
    _rule(
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
    _rule(
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
    _rule(
        "scale.asked",
        "error",
        "displaced",
        "Not the scale asked for",
        _PRACTICE,
        ("", "The exercise asks for {asked}, the views are drawn at {drawn}.", "{asked}", "{drawn}"),
    ),
    _rule(
        "dimensions.undetermined",
        "error",
        "open",
        "A size or position is missing",
        "ISO 129-1, ASME Y14.5: complete definition (Mem.)",
        (
            "position",
            "{what} can still move along the {direction}: its place is not given.",
            "one more dimension along the {direction}",
            "none",
        ),
        ("radius", "The diameter of {what} is not given.", "one diameter or radius", "none"),
        ("mixed", "{what} can still change: a size is not given.", "one more dimension", "none"),
    ),
    _rule(
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
    ),
    _rule(
        "dimensions.repeated",
        "error",
        "chain",
        "The same size is given twice",
        "ISO 129-1, ASME Y14.5: no size twice (Mem.)",
        ("", "The size {text} is given twice.", "once", "twice"),
    ),
    _rule(
        "dimensions.overall",
        "error",
        "missing",
        "An overall size is missing",
        _PRACTICE,
        ("", "The overall {direction}, {size}, is not given.", "overall {direction} {size}", "not given"),
    ),
    _rule(
        "dimensions.value",
        "error",
        "displaced",
        "A written value is wrong",
        "ISO 129-1 (Mem.)",
        ("", "“{text}” is written where the part measures {true}.", "{true}", "{text}"),
    ),
    _rule(
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
    _rule(
        "dimensions.on-pictorial",
        "error",
        "surplus",
        "A dimension on the pictorial view",
        _PRACTICE,
        (
            "",
            "The dimension {text} stands on the pictorial view, which is never dimensioned.",
            "no dimension there",
            "{text}",
        ),
    ),
    _rule(
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
    _rule(
        "layout.overlap",
        "error",
        "displaced",
        "Views overlap",
        _PRACTICE,
        ("", "The {first} view and the {second} view overlap or touch.", "a gap between them", "none"),
    ),
    _rule(
        "layout.centring",
        "warning",
        "displaced",
        "The views are off centre",
        _PRACTICE,
        (
            "",
            "The group of views leaves {left:.0f} mm left, {right:.0f} mm right, {below:.0f} mm below and "
            "{above:.0f} mm above; even gaps would be {across:.0f} mm and {up:.0f} mm.",
            "{across:.0f} mm left and right, {up:.0f} mm above and below",
            "{left:.0f}, {right:.0f}, {below:.0f} and {above:.0f} mm",
        ),
    ),
    _rule(
        "title.missing",
        "error",
        "missing",
        "A title-block field is empty",
        "ISO 7200 (Mem.)",
        ("", "The field “{field}” of the title block is empty.", "{field} filled in", "empty"),
    ),
)

CATALOGUE: Final[Mapping[str, Rule]] = {rule.id: rule for rule in _RULES}


def wording(finding: Finding) -> Wording:
    """The three sentences of a finding, filled in."""
    template = CATALOGUE[finding.rule].wordings[finding.variant]
    filled = dict(finding.parameters.items())
    return Wording(*(part.format(**filled) for part in (template.message, template.expected, template.found)))


def found(rule: str, severity: Severity | None = None, /, **rest: object) -> Finding:
    """A finding of a rule with the catalogue's severity, unless another is given."""
    return Finding(rule, severity or CATALOGUE[rule].severity, **rest)  # type: ignore[arg-type]
