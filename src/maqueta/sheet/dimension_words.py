"""What stands at a dimension."""

from maqueta.sheet.dimension import AngleDimension, ChamferDimension, Dimension, RoundDimension, chamfer_of, true_size
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.general_tolerance import general_tolerance
from maqueta.sheet.spacing import as_fraction
from maqueta.sheet.written_sizes import converted, write_size
from maqueta.solid.unit import Unit

#: Stands for the true size in a text that is typed.
TRUE_SIZE = "<>"
#: Angles are written to this many decimals of a degree at most (common practice, no source).
_ANGLE_DECIMALS = 2


def dimension_text(dimension: Dimension, sheet: SheetDocument, part_unit: Unit) -> str:
    """The text typed over, or the part's true size; in brackets for a reference.

    In a text "<>" stands for the true size, so that what is written around it stays when the part changes.
    """
    text = dimension.text if dimension.text is not None else true_text(dimension, sheet, part_unit)
    if TRUE_SIZE in text:
        text = text.replace(TRUE_SIZE, true_text(dimension, sheet, part_unit))
    return f"({text})" if dimension.reference and not text.startswith("(") else text


def says_by_decimals(sheet: SheetDocument) -> bool:
    """Whether the title block states a general tolerance by the number of decimals."""
    stated = general_tolerance(sheet.title.fields.get("tolerances", ""))
    return stated is not None and bool(stated.by_decimals)


def spelt_out(sheet: SheetDocument, part_unit: Unit) -> SheetDocument:
    """The sheet with sizes that have decimals of their own as if they were typed: rounded so, each is a claim."""

    def told(dimension: Dimension) -> Dimension:
        if dimension.decimals is None or isinstance(dimension, AngleDimension):
            return dimension
        text = dimension.text if dimension.text is not None else TRUE_SIZE
        return dimension.model_copy(update={"text": text.replace(TRUE_SIZE, true_text(dimension, sheet, part_unit))})

    return sheet.model_copy(update={"dimensions": tuple(map(told, sheet.dimensions))})


def true_text(dimension: Dimension, sheet: SheetDocument, part_unit: Unit) -> str:
    """The part's true size as this dimension would write it."""
    if isinstance(dimension, AngleDimension):
        return write_angle(true_size(dimension))
    value = write_length(true_size(dimension), sheet, part_unit, dimension.decimals)
    if isinstance(dimension, ChamferDimension):
        value = f"{value} × {write_angle(chamfer_of(dimension)[1])}"
    elif isinstance(dimension, RoundDimension):
        value = f"{'⌀' if dimension.kind == 'diameter' else 'R'}{value}"
    else:
        return value
    return f"{dimension.count}× {value}" if dimension.count > 1 else value


def write_length(length: float, sheet: SheetDocument, part_unit: Unit, decimals: int | None = None) -> str:
    """A length of the part as the sheet writes it: in decimals, the sheet's or its own, or in fractions of an inch.

    Decimals of its own, and those of a sheet whose general tolerance goes by decimals, are all written, zeros too: they
    say how close it must be.
    """
    value = converted(length, part_unit, sheet.units)
    if decimals is not None or says_by_decimals(sheet):
        own = sheet.decimals if decimals is None else decimals
        return write_size(value, sheet.units, own, sheet.style, zeros=True)
    if sheet.fractions and sheet.units == "inch":
        return as_fraction(value)
    return write_size(value, sheet.units, sheet.decimals, sheet.style)


def write_angle(degrees: float) -> str:
    """An angle in degrees, without trailing zeros."""
    return f"{round(degrees, _ANGLE_DECIMALS):g}°"
