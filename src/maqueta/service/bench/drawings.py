"""Sheets as files."""

import hashlib
from collections.abc import Callable
from typing import Final, Literal

from fastapi import Request, Response

from maqueta.drawing.pdf import pdf
from maqueta.drawing.shading import shaded
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.drawing.svg import svg
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.solid.mesh import Mesh

DrawingKind = Literal["svg", "pdf", "dxf"]
#: What an SVG may do that is opened by itself: nothing.
SANDBOX: Final = "sandbox; default-src 'none'; style-src 'unsafe-inline'; font-src data:"


def drawing(
    projected: ProjectedPart, document: SheetDocument, kind: DrawingKind, title: str, triangles: Callable[[], Mesh]
) -> bytes:
    """A sheet as SVG or PDF true to scale, or as DXF in millimetres with a layer for each kind of line.

    DXF has lines alone: whoever opens it there draws on.
    """
    groups = sheet_ink(projected, document)
    if document.shaded and kind != "dxf":
        groups = shaded(groups, projected, document, triangles)
    if kind == "svg":
        return svg(groups, document.paper.layout, title).encode()
    if kind == "pdf":
        return pdf(groups, document.paper.layout, title)
    from maqueta.drawing.dxf import dxf

    return dxf(groups, sheet_sizes(projected, document))


def drawing_response(data: bytes, kind: DrawingKind, name: str, request: Request) -> Response:
    """A drawing as an answer; nothing but its mark where the browser has it already."""
    tag = f'"{hashlib.sha256(data).hexdigest()[:32]}"'
    headers = {"etag": tag, "cache-control": "private, no-cache"}
    if request.headers.get("if-none-match") == tag:
        return Response(status_code=304, headers=headers)
    if kind == "svg":
        return Response(data, media_type="image/svg+xml", headers=headers | {"content-security-policy": SANDBOX})
    if kind == "pdf":
        shown = {"content-disposition": f'inline; filename="{name}.pdf"'}
        return Response(data, media_type="application/pdf", headers=headers | shown)
    kept = {"content-disposition": f'attachment; filename="{name}.dxf"'}
    return Response(data, media_type="image/vnd.dxf", headers=headers | kept)
