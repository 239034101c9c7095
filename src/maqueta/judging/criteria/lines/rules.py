"""Rules about the lines of the views."""

from typing import Final

from maqueta.judging.rule import Rules, rule

RULES: Final = Rules(
    (
        rule("lines.missing-visible", "error", "missing", "", "one"),
        rule("lines.missing-hidden", "error", "missing", "", "one"),
        rule("lines.hidden-on-pictorial", "error", "surplus"),
        rule("lines.tangent-edge", "error", "surplus", "", "one"),
        rule("lines.missing-centre", "warning", "missing", "mark", "line", named=("mark", "line")),
        rule("lines.extra", "error", "surplus", "", "one"),
        rule("lines.displaced", "error", "displaced", "", "circle"),
        rule("lines.wrong-kind", "error", "displaced", "hidden", "visible"),
        rule("lines.style", "warning", "doubt", "solid"),
    )
)
