"""A sheet form drawn with a general DXF library."""

from io import StringIO
from typing import Any

import ezdxf

from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.form_file import ReadForm, read_form


class DrawnForm:
    """A form drawn with a DXF library, as a school might have one."""

    def __init__(self) -> None:
        self.document: Any = ezdxf.new("R2010")
        self.document.header["$INSUNITS"] = 4
        self.space = self.document.modelspace()

    def box(self, left: float, bottom: float, right: float, top: float, wide: int = 35) -> None:
        corners = [(left, bottom), (right, bottom), (right, top), (left, top)]
        self.space.add_lwpolyline(corners, close=True, dxfattribs={"lineweight": wide})

    def words(self, text: str, x: float, y: float, height: float = 2.0) -> None:
        self.space.add_text(text, dxfattribs={"height": height}).set_placement((x, y))

    def data(self) -> bytes:
        target = StringIO()
        self.document.write(target)
        return target.getvalue().encode()

    def read(self) -> ReadForm:
        return read_form(read_dxf(self.data(), blank=True))
