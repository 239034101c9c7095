"""Rules about dimensions."""

from typing import Final

from maqueta.judging.rule import Rules, rule

_OPEN: Final = ("position", "slope", "radius", "mixed")
_FORMS: Final = ("radius", "diameter", "sign", "typical")
RULES: Final = Rules(
    (
        rule("dimensions.undetermined", "error", "open", *_OPEN, named=_OPEN),
        rule("dimensions.redundant", "error", "chain", "", "drawn"),
        rule("dimensions.repeated", "error", "chain"),
        rule("dimensions.overall", "error", "missing"),
        rule("dimensions.value", "error", "displaced"),
        rule("dimensions.unread", "warning", "doubt"),
        rule("dimensions.aslant", "error", "displaced"),
        rule("dimensions.to-hidden", "error", "displaced"),
        rule("dimensions.form", "warning", "doubt", *_FORMS, named=_FORMS),
        rule("dimensions.contour", "warning", "displaced"),
        rule("dimensions.datum", "error", "displaced", "", "centre"),
        rule("dimensions.decimals", "warning", "doubt", "", "unit"),
        rule("dimensions.tolerance", "warning", "doubt", "crossed", "wide", "fit", "general", "general-crossed"),
        rule("dimensions.precision", "warning", "doubt"),
        rule("dimensions.on-pictorial", "error", "surplus"),
    )
)
