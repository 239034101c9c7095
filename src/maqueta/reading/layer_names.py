"""Which layers are called after what is on them: names that tell no lines apart are as good as none."""

from collections import defaultdict
from dataclasses import replace
from typing import Final

from maqueta.reading.content import Content, Stroke
from maqueta.reading.kinds import Kind, kind_of, named_kind, pattern_kind

#: What lines of views may be; without any, a sheet shows nothing.
_OF_VIEWS: Final[frozenset[Kind]] = frozenset({"visible", "open"})


def with_names_believed(content: Content) -> Content:
    """A file without the names of its layers where they cannot say what the lines on them are.

    None says so where by their names nothing would be left that could be a visible line of a view, or where one layer
    bears lines of every look. A layer called after hidden lines or after axes, with dashes of both on it, is called
    after neither.
    """
    strokes = content.strokes
    idle = {stroke.style.layer for stroke in strokes} if _say_nothing(strokes) else _contradicted(strokes)
    if not any(idle):
        return content
    return replace(content, strokes=tuple(_unnamed(own) if own.style.layer in idle else own for own in strokes))


def _say_nothing(strokes: tuple[Stroke, ...]) -> bool:
    looks = {stroke.style for stroke in strokes}
    if not any(kind_of(look) in _OF_VIEWS for look in looks):
        return True
    return len(looks) > 1 and len({look.layer for look in looks}) == 1


def _contradicted(strokes: tuple[Stroke, ...]) -> set[str]:
    broken: defaultdict[str, set[Kind | None]] = defaultdict(set)
    for style in {stroke.style for stroke in strokes}:
        broken[style.layer].add(pattern_kind(style.pattern, style.pattern_name))
    both: set[Kind | None] = {"hidden", "centre"}
    return {layer for layer, kinds in broken.items() if kinds >= both and named_kind(layer) in both}


def _unnamed(stroke: Stroke) -> Stroke:
    return replace(stroke, style=replace(stroke.style, layer=""))
