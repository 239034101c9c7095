"""How a size is written on a sheet."""

from maqueta.geometry.rounding import rounded
from maqueta.sheet.document import Style
from maqueta.solid.unit import MILLIMETRES, Unit


def converted(value: float, part_unit: Unit, sheet_unit: Unit) -> float:
    """A length of the part in the unit of the sheet."""
    return value * MILLIMETRES[part_unit] / MILLIMETRES[sheet_unit]


def write_size(value: float, unit: Unit, decimals: int, style: Style, zeros: bool = False) -> str:
    """A size in its unit: without trailing zeros in mm, with them and without a leading zero in inches.

    With `zeros` they are written in mm too.

    ISO 129-1 and ASME Y14.5 (both from memory); ISO writes a decimal comma, kept as a point here as the sheets of
    both traditions are read in one class.
    """
    number = f"{rounded(value, decimals):.{decimals}f}"
    if unit == "mm" and not zeros:
        return number.rstrip("0").rstrip(".") if "." in number else number
    return number.removeprefix("0") if unit == "inch" and style == "asme" and number.startswith("0.") else number
