"""Findings: what a check found, as measured parameters; the sentences are made from the catalogue."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal

from maqueta.projection.carrier import Point

Severity = Literal["error", "warning", "note"]
Parameter = str | float | int


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
