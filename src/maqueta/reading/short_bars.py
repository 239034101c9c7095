"""Lines that a file fills as bars, where they are hardly longer than wide: told by the other bars of the file."""

from collections.abc import Collection
from dataclasses import replace
from typing import Final

from maqueta.reading.content import Content, Stroke

#: Bars of one pen are as wide as each other within this, in hundredths of a mm (common practice, no source).
_ALIKE: Final = 2


def with_short_bars(content: Content) -> Content:
    """A file's content, in which what is as wide as its bars is one, be it short; by itself it could be a dot."""
    bars = {
        shape.head: shape.short
        for shape in content.shapes
        if shape.short is not None and _is_one(shape.short, content.bar_widths)
    }
    return replace(
        content,
        strokes=(*content.strokes, *bars.values()),
        filled=tuple(head for head in content.filled if head not in bars),
        shapes=tuple(
            replace(shape, head=None, bar=bars[shape.head], short=None) if shape.head in bars else shape
            for shape in content.shapes
        ),
        bar_widths=frozenset(),
    )


def _is_one(short: Stroke, widths: Collection[int]) -> bool:
    return any(abs((short.style.width or 0) - wide) <= _ALIKE for wide in widths)
