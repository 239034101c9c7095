"""Sheets as files."""

import hashlib
import secrets
from collections.abc import Callable
from typing import Final, Literal

from fastapi import Request, Response

from maqueta.drawing.pdf import pdf
from maqueta.drawing.shading import shaded
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.drawing.svg import svg
from maqueta.projection.projected_part import ProjectedPart
from maqueta.service.desk_work import Desk
from maqueta.sheet.document import SheetDocument
from maqueta.solid.mesh import Mesh

DrawingKind = Literal["svg", "pdf", "dxf"]
#: What an SVG may do that is opened by itself: nothing.
SANDBOX: Final = "sandbox; default-src 'none'; style-src 'unsafe-inline'; font-src data:"
#: Another program may draw the same sheet otherwise: what was made by this process is known as such.
_OURS: Final = secrets.token_hex(16)


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
    # Its library takes a third of a second to load; no server draws.
    from maqueta.drawing.dxf import dxf

    return dxf(groups, sheet_sizes(projected, document))


def tag_before(desk: Desk, document: SheetDocument, kind: DrawingKind, title: str) -> str:
    """What tells a drawing from others before it is made: all that it depends on."""
    return _tag(f"{_OURS} {desk} {document.model_dump_json()} {kind} {title}".encode())


def unchanged(tag: str, request: Request) -> Response | None:
    """An answer without the drawing, where the browser has that already; None where it has not."""
    known = request.headers.get("if-none-match") == tag
    return Response(status_code=304, headers=_headers(tag)) if known else None


def _tag(content: bytes) -> str:
    return f'"{hashlib.sha256(content).hexdigest()[:32]}"'


def _headers(tag: str) -> dict[str, str]:
    return {"etag": tag, "cache-control": "private, no-cache"}


def drawing_response(data: bytes, kind: DrawingKind, name: str, request: Request, tag: str | None = None) -> Response:
    """A drawing as an answer; nothing but its `tag` where the browser has it already."""
    tag = tag or _tag(data)
    if (same := unchanged(tag, request)) is not None:
        return same
    headers = _headers(tag)
    if kind == "svg":
        return Response(data, media_type="image/svg+xml", headers=headers | {"content-security-policy": SANDBOX})
    if kind == "pdf":
        shown = {"content-disposition": f'inline; filename="{name}.pdf"'}
        return Response(data, media_type="application/pdf", headers=headers | shown)
    kept = {"content-disposition": f'attachment; filename="{name}.dxf"'}
    return Response(data, media_type="image/vnd.dxf", headers=headers | kept)
