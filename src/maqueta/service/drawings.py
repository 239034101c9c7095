"""Sheets as files."""

from typing import Final, Literal

from fastapi import Response

from maqueta.drawing.dxf import dxf
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.drawing.svg import svg
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument

DrawingKind = Literal["svg", "pdf", "dxf"]
_SANDBOX: Final = "sandbox; default-src 'none'; style-src 'unsafe-inline'; font-src data:"


def drawing(projected: ProjectedPart, document: SheetDocument, kind: DrawingKind, title: str, name: str) -> Response:
    """A sheet as SVG or PDF true to scale, or as DXF in millimetres with a layer for each kind of line."""
    groups = sheet_ink(projected, document)
    if kind == "svg":
        headers = {"content-security-policy": _SANDBOX}
        return Response(svg(groups, document.paper.layout, title), media_type="image/svg+xml", headers=headers)
    if kind == "pdf":
        headers = {"content-disposition": f'inline; filename="{name}.pdf"'}
        return Response(pdf(groups, document.paper.layout, title), media_type="application/pdf", headers=headers)
    headers = {"content-disposition": f'attachment; filename="{name}.dxf"'}
    return Response(dxf(groups, sheet_sizes(projected, document)), media_type="image/vnd.dxf", headers=headers)
