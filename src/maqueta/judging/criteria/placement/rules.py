"""Rules about where dimensions stand."""

from typing import Final

from maqueta.judging.rule import Rules, rule

RULES: Final = Rules(
    (
        rule("placement.order", "warning", "displaced"),
        rule("placement.spacing", "warning", "displaced", "first", "next"),
        rule("placement.on-part", "warning", "displaced"),
        rule("placement.crossing", "warning", "surplus", "", "extension"),
        rule("placement.gap", "warning", "displaced"),
        rule("placement.reading", "warning", "doubt", "away", "turned", "mixed"),
        rule("placement.lettering", "warning", "doubt", "low", "uneven"),
        rule("placement.overlap", "warning", "doubt"),
    )
)
