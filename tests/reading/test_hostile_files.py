"""Files that are broken, huge or meant to hurt: one clear line each, never a crash."""

import io
import random
from collections.abc import Callable
from typing import Any

import ezdxf
import pytest

from maqueta.phrases.said import said
from maqueta.reading.dxf.file import MOST_ENTITIES, read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.limits import LARGEST_FILE


def written(document: Any) -> bytes:
    target = io.StringIO()
    document.write(target)
    return target.getvalue().encode("utf-8")


def with_lines(*ends: tuple[tuple[float, float], tuple[float, float]]) -> bytes:
    document: Any = ezdxf.new()
    for start, end in ends:
        document.modelspace().add_line(start, end)
    return written(document)


def nested(levels: int, copies: int) -> bytes:
    document: Any = ezdxf.new()
    inner = document.blocks.new("B0")
    inner.add_line((0, 0), (100, 80))
    for level in range(1, levels):
        block = document.blocks.new(f"B{level}")
        for copy in range(copies):
            block.add_blockref(f"B{level - 1}", (copy, copy))
    document.modelspace().add_blockref(f"B{levels - 1}", (0, 0))
    return written(document)


#: Files by name, each made when its turn comes, and words of what is said of it.
USELESS: dict[str, tuple[Callable[[], bytes], str]] = {
    "empty": (lambda: b"", "empty"),
    "blank": (lambda: b"   \n\n", "empty"),
    "junk": (lambda: random.Random(1).randbytes(100_000), "not a text DXF"),
    "photograph": (lambda: b"\x89PNG\r\n\x1a\n" + random.Random(2).randbytes(50_000), "not a text DXF"),
    "huge": (lambda: b"SECTION" + b" " * (LARGEST_FILE + 1), "larger than"),
    "broken": (lambda: b"  0\nSECTION\n  2\nENTITIES\n  0\nLINE\n" * 3, "no line"),
    "stub": (lambda: b"0\nSECTION", "no line"),
    "cut off": (lambda: with_lines(((0, 0), (200, 100)))[:9000], "line|structure"),
    "no lines": (lambda: with_lines(), "no line"),
    "nan": (lambda: with_lines(((0, 0), (float("nan"), 1))), "coordinate"),
    "far": (lambda: with_lines(((0, 0), (1e300, 1))), "coordinate"),
    "entities": (
        lambda: with_lines(*[((k % 400, k % 290), (k % 397, k % 281)) for k in range(MOST_ENTITIES + 1)]),
        "entities",
    ),
    "nested": (lambda: nested(12, 10), "lines"),
}


@pytest.mark.parametrize("name", USELESS)
def test_useless_file_is_refused_in_one_line(name: str) -> None:
    made, words = USELESS[name]
    with pytest.raises(UnreadableSheetError) as refused:
        read_dxf(made())
    assert any(word in str(refused.value) for word in words.split("|"))
    assert "\n" not in str(refused.value)


def test_block_that_contains_itself_is_told() -> None:
    document: Any = ezdxf.new()
    block = document.blocks.new("A")
    block.add_line((0, 0), (200, 100))
    block.add_blockref("A", (1, 1))
    document.modelspace().add_blockref("A", (0, 0))
    content = read_dxf(written(document))
    assert len(content.strokes) == 1
    assert tuple(map(said, content.not_read)) == ("INSERT of the block A, which contains itself (1)",)


def test_nothing_is_dropped_silently() -> None:
    document: Any = ezdxf.new()
    space = document.modelspace()
    space.add_line((0, 0), (200, 100))
    space.add_point((1, 1))
    space.add_3dface([(0, 0), (1, 0), (1, 1)])
    document.layers.add("OFF").off()
    space.add_line((0, 0), (5, 5), dxfattribs={"layer": "OFF"})
    assert tuple(map(said, read_dxf(written(document)).not_read)) == (
        "3DFACE (1)",
        "LINE on the switched-off layer OFF (1)",
        "POINT (1)",
    )


def test_unit_of_the_header_is_doubted_when_it_makes_no_sheet() -> None:
    inches = ezdxf.new()
    inches.header["$INSUNITS"] = 4
    inches.modelspace().add_line((0, 0), (16.5, 0))
    (mark,) = read_dxf(written(inches)).strokes
    assert mark.piece.length == pytest.approx(16.5 * 25.4)
