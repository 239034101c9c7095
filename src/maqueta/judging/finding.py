"""Findings: what a check found, as measured parameters; the sentences are made from the catalogues of phrases."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Final, Literal

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import Value

Severity = Literal["error", "warning", "note"]
Parameter = Value
#: Parameters that say what a finding is about, beside its rule: findings that agree in them are the same mistake.
_ABOUT: Final = ("name", "direction", "field", "what", "side", "up", "first", "second")


@dataclass(frozen=True, slots=True)
class Finding:
    """One finding.

    `at` are points or polylines in sheet mm; `edges` and `faces` the model's behind it; `items` the dimensions and
    marks it speaks of. `variant` picks one of several wordings of its rule.
    """

    rule: str
    severity: Severity
    views: tuple[str, ...] = ()
    at: tuple[tuple[Point, ...], ...] = ()
    parameters: Mapping[str, Parameter] = field(default_factory=dict)
    variant: str = ""
    edges: tuple[int, ...] = ()
    faces: tuple[int, ...] = ()
    items: tuple[str, ...] = ()

    @property
    def about(self) -> tuple[Parameter, ...]:
        """What it is about, beside its rule: a view, a direction, a field of the title block."""
        return tuple(self.parameters[key] for key in _ABOUT if key in self.parameters)
