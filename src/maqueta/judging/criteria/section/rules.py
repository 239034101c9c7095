"""Rules about sections."""

from typing import Final

from maqueta.judging.rule import Rules, rule

RULES: Final = Rules(
    (
        rule("section.missing", "error", "missing", "", "elsewhere", "form", "line"),
        rule("section.cutting-line", "error", "displaced", "", "elsewhere", "arrows"),
        rule("section.label", "warning", "doubt", "", "line", "both", "ends", "differs", "twice"),
        rule("section.hatching", "error", "missing", "", "surplus"),
        rule("section.hatch-style", "warning", "doubt", "directions", "spacings", "alike", "outline", "dense"),
        rule("section.uncut", "warning", "surplus", "", "body"),
        rule("section.hidden", "warning", "surplus"),
        rule("section.boundary", "error", "displaced", "", "none", "step"),
    )
)
