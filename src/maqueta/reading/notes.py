"""Notes of a sheet from elsewhere: the texts that are neither title block nor dimension."""

from collections.abc import Collection, Sequence

from maqueta.reading.content import Words
from maqueta.reading.frame import SheetFrame
from maqueta.reading.title_words import angle_stated, is_label
from maqueta.sheet.document import Note
from maqueta.sizes.text import read_text


def notes_of(words: Sequence[Words], frame: SheetFrame, used: Collection[str]) -> tuple[Note, ...]:
    """The free texts inside the border. `used` are texts that stand at a dimension or leader already.

    Letters and numbers outside the border mark the zones of the paper; attributes belong to the title block.
    """
    notes: list[Note] = []
    for word in words:
        text = " ".join(word.text.split())[:120]
        if not text or word.tag or is_label(text) or angle_stated(text) is not None:
            continue
        if frame.has(word):
            continue
        if text in used or read_text(text).value is not None or not 0 < word.height <= 100:
            continue
        notes.append(Note(id=f"n{len(notes) + 1}", text=text, at=word.at, height=word.height, turn=word.turn % 360))
    return tuple(notes)
