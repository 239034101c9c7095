"""What on a sheet speaks of special views, taken out of the lines and words that views and sizes are read from."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

from maqueta.reading.content import Content, Stroke
from maqueta.reading.frame import SheetFrame
from maqueta.reading.kinds import Kind
from maqueta.reading.special.cutting_marks import SpecialMarks, special_marks
from maqueta.reading.special.hatching import loose_hatching
from maqueta.reading.special.labels import Label, labels_of
from maqueta.sheet.special import Hatching


@dataclass(frozen=True)
class Evidence:
    """Labels, marks and hatched areas; the kinds of all strokes and the words of the sheet without them."""

    kinds: list[Kind]
    content: Content
    marks: SpecialMarks = field(default_factory=SpecialMarks)
    labels: tuple[Label, ...] = ()
    areas: tuple[Hatching, ...] = ()

    @property
    def any(self) -> bool:
        """Whether anything speaks of special views."""
        return bool(self.labels or self.areas or self.marks.cuts or self.marks.circles or self.marks.sights)


def evidence(
    content: Content, strokes: Sequence[Stroke], kinds: Sequence[Kind], frame: SheetFrame, aside: frozenset[int]
) -> Evidence:
    """Find it. A sheet that says nothing of special views is left as it is."""
    places = [place for place, word in enumerate(content.words) if not frame.has(word)]
    words = [content.words[place] for place in places]
    labels, letters = labels_of(words)
    told = any(label.kind == "section" for label in labels) or len(letters) >= 2
    areas, used = loose_hatching(strokes, kinds, aside, told)
    hatched = bool(content.hatched or areas)
    if not (labels or letters or hatched):
        return Evidence(list(kinds), content)
    marks = special_marks(strokes, kinds, content.filled, content.pointers, labels, letters, aside | used, hatched)
    # A view with the letter of a circled region is its detail, whatever word stands before it.
    circled = {circle.letter for circle in marks.circles}
    labels = [replace(own, kind="detail") if own.kind == "view" and own.letter in circled else own for own in labels]
    labels += [
        Label("view", one.letter, "", (*one.at, *one.at), (one.word,))
        for one in letters
        if any(sight.letter == one.letter and sight.word != one.word for sight in marks.sights)
    ]
    gone = {places[word] for word in (*marks.words, *(word for label in labels for word in label.words))}
    kept = tuple(word for place, word in enumerate(content.words) if place not in gone)
    own: dict[int, Kind] = {**dict.fromkeys(marks.strokes, "construction"), **dict.fromkeys(used, "hatch")}
    told_apart = [own.get(i, kind) for i, kind in enumerate(kinds)]
    return Evidence(told_apart, replace(content, words=kept), marks, tuple(labels), (*content.hatched, *areas))
