"""A small picture of a part as a card model: flat tints by direction, ink on its edges, on nothing.

For lists of many parts, where a live model each would be too much.
"""

import io
import math
from typing import Final

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw

from maqueta.drawing.tints import card_tints
from maqueta.geometry.line_set import LineSet
from maqueta.solid.mesh import Mesh

Array = NDArray[np.float64]

SIZE: Final = 240
_FINER: Final = 2
_MARGIN: Final = 0.06
_INK: Final = (0x23, 0x26, 0x2D, 255)


def thumbnail(mesh: Mesh, lines: LineSet, frame: Array) -> bytes:
    """A PNG of SIZE × SIZE pixels: triangles and visible lines of a part in a frame (rows right, up, out)."""
    pixels = SIZE * _FINER
    points = np.array(mesh.points).reshape(-1, 3) @ frame.T
    low, high = points[:, :2].min(axis=0), points[:, :2].max(axis=0)
    scale = pixels * (1 - 2 * _MARGIN) / float((high - low).max())
    shift = np.array([pixels / 2, pixels / 2]) - scale * (low + high) / 2
    flat = np.column_stack([points[:, :2] * scale + shift, points[:, 2]])
    triangles = np.array(mesh.triangles).reshape(-1, 3)
    space = np.array(mesh.points).reshape(-1, 3)[triangles]
    normals = np.cross(space[:, 1] - space[:, 0], space[:, 2] - space[:, 0])
    canvas = np.zeros((pixels, pixels, 4), dtype=np.uint8)
    depth = np.full((pixels, pixels), -math.inf)
    seen = normals @ frame[2] > 0
    tints = card_tints(normals[seen] / np.linalg.norm(normals[seen], axis=1)[:, None])
    for corners, tint in zip(flat[triangles][seen], tints, strict=True):
        _fill(canvas, depth, corners, tint)
    image = Image.fromarray(canvas[::-1])
    pen = ImageDraw.Draw(image)
    for piece in lines.of("visible"):
        path = [(x * scale + shift[0], pixels - (y * scale + shift[1])) for x, y in piece.outline()]
        pen.line(path, fill=_INK, width=2 * _FINER, joint="curve")
    result = io.BytesIO()
    image.resize((SIZE, SIZE), Image.Resampling.LANCZOS).save(result, "PNG")
    return result.getvalue()


def _fill(canvas: NDArray[np.uint8], depth: Array, corners: Array, tint: Array) -> None:
    """One triangle (three corners x, y, depth in pixels), where nothing nearer has been painted."""
    size = depth.shape[0]
    left, bottom = np.maximum(np.floor(corners[:, :2].min(axis=0)).astype(int), 0)
    right, top = np.minimum(np.ceil(corners[:, :2].max(axis=0)).astype(int) + 1, size)
    (ax, ay, az), (bx, by, bz), (cx, cy, cz) = corners
    area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay)
    if abs(area) < 1e-9 or left >= right or bottom >= top:
        return
    x, y = np.arange(left, right) + (0.5 - ax), (np.arange(bottom, top) + (0.5 - ay))[:, None]
    u = x * ((cy - ay) / area) - y * ((cx - ax) / area)
    v = y * ((bx - ax) / area) - x * ((by - ay) / area)
    near = az + u * (bz - az) + v * (cz - az)
    window = depth[bottom:top, left:right]
    # Half a pixel over the rim, so that neighbours leave no gap.
    rim = 0.5 * max(math.dist((ax, ay), (bx, by)), math.dist((ax, ay), (cx, cy))) / abs(area)
    inside = (u >= -rim) & (v >= -rim) & (u + v <= 1 + rim) & (near > window)
    window[inside] = near[inside]
    canvas[bottom:top, left:right][inside] = (*np.clip(tint, 0, 255).astype(np.uint8), 255)
