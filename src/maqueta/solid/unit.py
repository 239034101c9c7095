"""Length units a part or an exercise may be written in."""

from typing import Final, Literal

Unit = Literal["mm", "inch"]

#: Millimetres in one unit; the inch is exactly 25.4 mm (international inch, ISO 80000-3).
MILLIMETRES: Final[dict[Unit, float]] = {"mm": 1.0, "inch": 25.4}
