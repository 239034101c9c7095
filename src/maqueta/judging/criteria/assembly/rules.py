"""The rules of the criterion."""

from typing import Final

from maqueta.judging.rule import Rules, rule

RULES: Final = Rules(
    (
        rule("assembly.part", "error", "missing", "", "elsewhere", "strange", named=("elsewhere", "strange")),
        rule("assembly.sides", "error", "missing", "", "misplaced", named=("misplaced",)),
        rule("assembly.apart", "warning", "displaced", "off", "overlapping", "order"),
        rule("assembly.balloon", "error", "doubt", "missing", "two-numbers", "one-for-two", "other-part", "nowhere"),
        rule("assembly.list", "error", "doubt", "missing", "row", "surplus", "quantity", "name", "material", "number"),
    )
)
