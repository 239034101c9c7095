"""Tables of cells as people have them: CSV with whatever separator and coding, or XLSX; read and written."""

import csv
import io
import zipfile
from collections.abc import Iterable, Sequence
from typing import Final, Literal

from openpyxl import Workbook, load_workbook
from openpyxl.cell import WriteOnlyCell

from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError

Cell = str | float | int | None
Row = Sequence[Cell]
TableKind = Literal["csv", "xlsx"]
Separator = Literal[",", ";", "\t"]
MEDIA_TYPES: Final[dict[TableKind, str]] = {
    "csv": "text/csv; charset=utf-8",
    "xlsx": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
}
_SEPARATORS: Final[tuple[Separator, ...]] = (",", ";", "\t")
#: A class is no larger than this, and a name no wider: what goes beyond is not a roster.
_MOST_ROWS, _MOST_COLUMNS, _LONGEST_CELL = 2000, 40, 500
#: What an XLSX file may unpack to, in bytes: it is a packed archive, and may be made to burst.
_MOST_UNPACKED: Final = 30 * 1024 * 1024
#: What a spreadsheet takes for the beginning of a formula.
_FORMULA: Final = ("=", "+", "-", "@", "\t", "\r")


def table_of(data: bytes) -> list[list[str]]:
    """The cells of a CSV or XLSX file as texts, without empty rows. Raises ToldError where it is neither."""
    rows = _xlsx(data) if data[:4] == b"PK\x03\x04" else _csv(_decoded(data))
    if len(rows) > _MOST_ROWS:
        raise ToldError(phrase("table-too-long", most=_MOST_ROWS))
    cells = [[text.strip()[:_LONGEST_CELL] for text in row[:_MOST_COLUMNS]] for row in rows]
    return [_without_end(row) for row in cells if any(row)]


def _without_end(row: list[str]) -> list[str]:
    """A row without the empty cells at its end."""
    filled = max(place for place, cell in enumerate(row) if cell)
    return row[: filled + 1]


def _decoded(data: bytes) -> str:
    """Text in the coding it has: by its byte order mark, else UTF-8, else the one of western Windows (never fails)."""
    if data[:2] in (b"\xff\xfe", b"\xfe\xff"):
        return data.decode("utf-16", errors="replace")
    if b"\0" in data:
        raise ToldError(phrase("no-table"))
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        return data.decode("cp1252", errors="replace")


def _csv(text: str) -> list[list[str]]:
    """The rows of a CSV text (RFC 4180), by the separator that cuts most of its first rows into as many cells."""
    # A spreadsheet may say which separator it uses.
    first, _, rest = text.partition("\n")
    if first.strip().lower().startswith("sep="):
        return _cut(rest, first.strip()[4:5] or ",")
    return max((_cut(text, separator) for separator in _SEPARATORS), key=_evenness)


def _cut(text: str, separator: str) -> list[list[str]]:
    try:
        return list(csv.reader(io.StringIO(text, newline=""), delimiter=separator))
    except csv.Error as error:
        raise ToldError(phrase("no-table")) from error


def _evenness(rows: list[list[str]]) -> tuple[int, int]:
    widths = [len(row) for row in rows[:20] if any(row)]
    common = max(set(widths), key=lambda width: (widths.count(width), width), default=1)
    return (widths.count(common) if common > 1 else 0, common)


def _xlsx(data: bytes) -> list[list[str]]:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            if sum(entry.file_size for entry in archive.infolist()) > _MOST_UNPACKED:
                raise ToldError(phrase("table-too-long", most=_MOST_ROWS))
        book = load_workbook(io.BytesIO(data), read_only=True, data_only=True)
        sheet = book.worksheets[0]
        limits = {"max_row": _MOST_ROWS + 1, "max_col": _MOST_COLUMNS}
        return [[_text(value) for value in row] for row in sheet.iter_rows(values_only=True, **limits)]
    except ToldError:
        raise
    except Exception as error:  # what a broken or hostile file raises in the reader is of many kinds
        raise ToldError(phrase("no-table")) from error


def _text(value: object) -> str:
    if value is None:
        return ""
    return str(int(value)) if isinstance(value, float) and value.is_integer() else str(value)


def written(rows: Iterable[Row], kind: TableKind, separator: Separator = ",", decimal_comma: bool = False) -> bytes:
    """Rows as a file. Texts are never formulas, whatever they begin with."""
    if kind == "xlsx":
        return _workbook(rows)
    out = io.StringIO(newline="")
    writer = csv.writer(out, delimiter=separator)
    writer.writerows([_cell(value, decimal_comma) for value in row] for row in rows)
    # With the mark, spreadsheets take the file for what it is.
    return out.getvalue().encode("utf-8-sig")


def _cell(value: Cell, decimal_comma: bool) -> str:
    if value is None:
        return ""
    if isinstance(value, str):
        return f"'{value}" if value.startswith(_FORMULA) else value
    text = f"{value:.6g}"
    return text.replace(".", ",") if decimal_comma else text


def _workbook(rows: Iterable[Row]) -> bytes:
    book = Workbook(write_only=True)
    sheet = book.create_sheet("Maqueta")
    for row in rows:
        cells = []
        for value in row:
            cell = WriteOnlyCell(sheet, value=value)
            if isinstance(value, str):
                cell.data_type = "s"
            cells.append(cell)
        sheet.append(cells)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()
