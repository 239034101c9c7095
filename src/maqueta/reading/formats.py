"""What kind of file a sheet came as, told by its content: before what reads such files is loaded."""

import re
from typing import Final

#: How PNG and JPEG files begin (PNG specification, 5.2; JFIF, from memory).
_PICTURES: Final = (b"\x89PNG\r\n\x1a\n", b"\xff\xd8\xff")


def is_pdf(data: bytes) -> bool:
    """Whether a file is a PDF by its content (ISO 32000-1, 7.5.2, from memory: within the first 1024 bytes)."""
    return b"%PDF-" in data[:1024]


def is_svg(data: bytes) -> bool:
    """Whether a file is an SVG by its content: its root is one."""
    head = data[:4096].lstrip(b"\xef\xbb\xbf \t\r\n")
    return head.startswith(b"<") and re.search(rb"<(?:\w+:)?svg[\s>]", data[:65536]) is not None


def is_picture(data: bytes) -> bool:
    """Whether a file is a PNG or a JPEG, by how it begins."""
    return data.startswith(_PICTURES)
