"""Lines of text read by a general recogniser, a process of its own, and what it is known to take for something else."""

import csv
import io
import re
import subprocess
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

import cv2
import numpy as np
from numpy.typing import NDArray

from maqueta.reading.picture.lettering import Lettering, TextLine
from maqueta.reading.picture.signs import eyes_of, sign_of

COMMAND: Final = "/usr/bin/tesseract"
#: It works for so many seconds at most, and is waited for so long where others work beside it: what is read of a sheet
#: does not hang on how busy a machine is.
_SECONDS, _WAITED = 12, 60
#: Capitals are put before the recogniser so high, lines of text so far apart, pixels.
_CAPITALS, _APART = 40, 56
#: Letters stand at least so far apart there, as a share of their height.
_LEAST_GAP: Final = 0.2
#: Letters that are taken for figures and the other way round.
_AS_FIGURES: Final = str.maketrans(
    {
        "O": "0",
        "o": "0",
        "Q": "0",
        "D": "0",
        "l": "1",
        "I": "1",
        "|": "1",
        "!": "1",
        "]": "1",
        "[": "1",
        "i": "1",
        "S": "5",
        "s": "5",
        "B": "8",
        "Z": "2",
        "z": "2",
        "q": "9",
        "g": "9",
    }
)
#: One size or several: how often, the sign before it, the number, and what follows after a cross.
_ONE: Final = r"[⌴⌵]?[RØM↧]?\d+([.,]\d+)?°?( ?[x×X] ?\d+([.,]\d+)?°?)?"
_SIZE: Final = re.compile(rf"^(\d+ ?[x×X] ?)?{_ONE}( {_ONE})*$")
_OF_SIZES: Final = "0123456789.,:-/xRM"
#: Scales and days.
_OTHER: Final = re.compile(r"^(\d+(\.\d+)?:\d+(\.\d+)?|\d{4}-\d{2}-\d{2}|\d{1,2}[./]\d{1,2}[./]\d{2,4})$")
#: Texts of a sheet are written in few heights, alike within this.
_AS_HIGH: Final = 0.12
#: Fewer per cent than this is a doubt.
_SURE: Final = 55.0


#: A piece of a line: its number, the sign before it, the spots that follow.
_Piece = tuple[int, str, list[int]]


@dataclass(frozen=True)
class Said:
    """A text that was recognised, whether it is beyond doubt, and how sure the recogniser is of its letters, 0 to 1."""

    text: str
    sure: bool
    heard: float


class RecogniserError(Exception):
    """The recogniser is not there, takes too long, or breaks."""


def recognised_lines(lettering: Lettering) -> list[Said]:
    """What lines of text say, in their order. Raises RecogniserError."""
    pieces = [
        (number, mark, spots) for number, line in enumerate(lettering.lines) for mark, spots in _parts(lettering, line)
    ]
    first = [
        replace(own, sure=own.sure and not (_SIZE.match(own.text) and lettering.goes_on(line)))
        for line, own in zip(lettering.lines, _said(lettering, pieces), strict=True)
    ]
    # What is no clear word may be a clear size, where only its letters are looked for; and a figure that is another one
    # there is in doubt.
    asked = [k for k, own in enumerate(first) if not own.sure or any(c.isdigit() for c in own.text)]
    if not asked:
        return first
    again = _said(lettering, [piece for piece in pieces if piece[0] in set(asked)], _OF_SIZES)
    found = list(first)
    for k in asked:
        line, one, two = lettering.lines[k], first[k], again[k]
        clear = two.sure and is_size(two.text) and _as_many(two.text, len(line.letters))
        if not one.sure and clear:
            found[k] = replace(two, sure=not lettering.goes_on(line))
        elif one.sure and clear and is_size(one.text) and _figures(two.text) != _figures(one.text):
            found[k] = replace(one, sure=False)
    return found


def _figures(text: str) -> str:
    return "".join(c for c in text if c.isdigit())


def _as_many(text: str, letters: int) -> bool:
    """Whether a text has as many signs as spots of ink were seen; a colon is two of them."""
    return len(text.replace(" ", "").replace(":", "::")) == letters


def real_text(lettering: Lettering, read: Sequence[Said]) -> list[bool]:
    """Which lines are text at all: dashes and corners of a drawing in a row look like one, and read like none."""
    usual = [line.height for line, own in zip(lettering.lines, read, strict=True) if own.sure]
    return [
        own.sure
        or (is_size(own.text) and len(line.letters) > 1)
        or (_looks_written(line, own) and any(abs(line.height / h - 1) <= _AS_HIGH for h in usual))
        for line, own in zip(lettering.lines, read, strict=True)
    ]


def _looks_written(line: TextLine, read: Said) -> bool:
    if len(line.letters) < 2:
        return False
    strokes = sum(letter.stroke for letter in line.letters)
    signs = sum(not c.isalnum() for c in read.text.replace(" ", ""))
    return strokes < 0.45 * len(line.letters) and signs <= 0.3 * max(1, len(read.text))


def is_size(text: str) -> bool:
    """Whether a text is a size, a scale or a day."""
    return bool(_SIZE.match(text) or _OTHER.match(text))


def _said(lettering: Lettering, pieces: Sequence[_Piece], letters: str = "") -> list[Said]:
    """What is read of each piece, by some letters alone where they are named, put together to lines."""
    parts = [
        _spelt(lettering, lettering.lines[number], spots, bool(letters)) if spots else np.zeros((0, 0), np.uint8)
        for number, _, spots in pieces
    ]
    read = _read([part for part in parts if part.size], letters)
    texts: list[list[str]] = [[] for _ in lettering.lines]
    least = [100.0] * len(lettering.lines)
    heard = iter(read)
    for (number, mark, _), part in zip(pieces, parts, strict=True):
        if mark:
            texts[number].append(mark)
        if part.size:
            text, sure = next(heard)
            texts[number].append(text)
            least[number] = min(least[number], sure)
    found = [
        _mended("".join(own), least[number], len(lettering.lines[number].letters)) for number, own in enumerate(texts)
    ]
    return [_by_eyes(lettering, line, own) for line, own in zip(lettering.lines, found, strict=True)]


def _by_eyes(lettering: Lettering, line: TextLine, read: Said) -> Said:
    """A size with its figures held against the eyes they have: an 8 has two, 0, 4, 6 and 9 have one, others none."""
    signs = [k for k, c in enumerate(read.text) if c != " "]
    if not is_size(read.text) or ":" in read.text or len(signs) != len(line.letters):
        return read
    letters, sure = list(read.text), read.sure
    for place, letter in zip(signs, line.letters, strict=True):
        figure = letters[place]
        if not figure.isdigit():
            continue
        eyes = eyes_of(_shape(lettering, letter.name, line.upright))
        if len(eyes) == 2:
            letters[place] = "8"
        elif len(eyes) == 1 and figure in "123578":
            # The eye of a 6 stands low, that of a 9 high, that of a 0 in the middle.
            letters[place] = "6" if eyes[0][1] > 0.58 else "9" if eyes[0][1] < 0.42 else "0"
        elif not eyes and figure in "04689":
            sure = False
    return replace(read, text="".join(letters), sure=sure)


def _shape(lettering: Lettering, name: int, upright: bool) -> NDArray[np.uint8]:
    """A spot of ink by itself, as it is read, with a rim of paper."""
    ys, xs = lettering.pixels_of(name)
    shape = np.zeros((ys.max() - ys.min() + 3, xs.max() - xs.min() + 3), np.uint8)
    shape[ys - ys.min() + 1, xs - xs.min() + 1] = 255
    return np.rot90(shape, -1).copy() if upright else shape


def _parts(lettering: Lettering, line: TextLine) -> list[tuple[str, list[int]]]:
    """A line at its signs: the sign or nothing, and the names of the spots that follow."""
    parts: list[tuple[str, list[int]]] = [("", [])]
    for letter in line.letters:
        sign = "" if letter.stroke else sign_of(_shape(lettering, letter.name, line.upright))
        if sign:
            parts.append((sign, []))
        else:
            parts[-1][1].append(letter.name)
    return [part for part in parts if part[0] or part[1]]


def _spelt(lettering: Lettering, line: TextLine, names: Sequence[int], ones: bool) -> NDArray[np.uint8]:
    """Spots of a line, black on white, as high as the recogniser likes them; with `ones` an upright stroke gets the
    head and foot of a 1, as which it is not known without."""
    upright = {letter.name for letter in line.letters if ones and letter.stroke}
    left, top, right, bottom = (int(c) for c in line.box)
    spots = []
    for name in names:
        ys, xs = lettering.pixels_of(name)
        along, down = (bottom - 1 - ys, xs - left) if line.upright else (xs - left, ys - top)
        if name in upright and down.max() - down.min() >= 0.8 * line.height:
            along, down = _with_head_and_foot(along, down)
        spots.append((along, down))
    spots.sort(key=lambda spot: int(spot[0].min()))
    # Letters that stand close are moved apart a little: else two strokes beside each other are taken for one.
    least, end, moved = max(2, round(_LEAST_GAP * line.height)), None, 0
    placed = []
    for along, down in spots:
        if end is not None and along.max() > end:
            moved += max(0, least - int(along.min() - end - 1))
        end = int(along.max()) if end is None else max(end, int(along.max()))
        placed.append((along + moved, down))
    first = min(int(along.min()) for along, _ in placed)
    last = max(int(along.max()) for along, _ in placed)
    shape = np.full(((right - left) if line.upright else (bottom - top), last - first + 1), 255, np.uint8)
    for along, down in placed:
        shape[down, along - first] = 0
    share = _CAPITALS / max(line.height, 1.0)
    size = (max(1, round(shape.shape[1] * share)), max(1, round(shape.shape[0] * share)))
    larger = cv2.resize(shape, size, interpolation=cv2.INTER_CUBIC)
    return np.asarray(cv2.GaussianBlur(larger, (0, 0), 1.2), np.uint8)


def _with_head_and_foot(along: NDArray[np.intp], down: NDArray[np.intp]) -> tuple[NDArray[np.intp], NDArray[np.intp]]:
    high, thick = int(down.max() - down.min()) + 1, int(along.max() - along.min()) + 1
    side = max(3, high // 4)
    shape = np.zeros((high, thick + 2 * side), np.uint8)
    shape[down - down.min(), along - along.min() + side] = 1
    middle, pen = side + thick // 2, max(1, thick - 1)
    cv2.line(shape, (middle, pen // 2), (middle - side, side), 1, pen)
    cv2.line(shape, (middle - side, high - 1 - pen // 2), (middle + side, high - 1 - pen // 2), 1, pen)
    ys, xs = np.nonzero(shape)
    return xs + along.min() - side, ys + down.min()


def _read(parts: Sequence[NDArray[np.uint8]], letters: str = "") -> list[tuple[str, float]]:
    """Each picture of a line read, all in one go, one under the other; by `letters` alone where some are named."""
    if not parts:
        return []
    wide = max(part.shape[1] for part in parts) + 2 * _APART
    rows, page = [], np.full((sum(part.shape[0] + _APART for part in parts) + _APART, wide), 255, np.uint8)
    top = _APART
    for part in parts:
        page[top : top + part.shape[0], _APART : _APART + part.shape[1]] = part
        rows.append((top, top + part.shape[0]))
        top += part.shape[0] + _APART
    bounded = ["/usr/bin/prlimit", f"--cpu={_SECONDS}"]
    only = ["-c", f"tessedit_char_whitelist={letters}"] if letters else []
    done, data = cv2.imencode(".png", page)
    assert done, "a page of letters is a picture"
    try:
        out = subprocess.run(
            [*bounded, COMMAND, "stdin", "stdout", "--psm", "6", "--dpi", "300", "-l", "eng", *only, "tsv"],
            input=data.tobytes(), capture_output=True, timeout=_WAITED, check=True,
            env={"OMP_THREAD_LIMIT": "1", "PATH": "/usr/bin"},
        )  # fmt: skip
    except (OSError, subprocess.SubprocessError) as error:
        raise RecogniserError from error
    words: list[list[tuple[float, str, float]]] = [[] for _ in parts]
    for row in csv.DictReader(io.StringIO(out.stdout.decode()), delimiter="\t", quoting=csv.QUOTE_NONE):
        if not (row["text"] or "").strip():
            continue
        middle = float(row["top"]) + float(row["height"]) / 2
        near = min(range(len(rows)), key=lambda k: abs(middle - (rows[k][0] + rows[k][1]) / 2))
        words[near].append((float(row["left"]), row["text"].strip(), float(row["conf"])))
    return [(" ".join(w for _, w, _ in sorted(own)), min((c for _, _, c in own), default=0.0)) for own in words]


def _mended(text: str, sure: float, letters: int) -> Said:
    """A text with figures where only figures make sense; a size of as many letters as there are spots of ink is
    no doubt, one of more or fewer is."""
    text = re.sub(r"\s*×\s*|(?<=\d)\s*[xX]\s*(?=[\dØR])", "× ", " ".join(text.split())).strip()
    text = re.sub(r"([Ø⌴⌵↧])\s+", r"\1", re.sub(r"(?<=[×\d°])\s*(?=[Ø⌴⌵↧])", " ", text))
    counted = _as_many(text, letters)
    heard = sure / 100
    if is_size(text):
        return Said(text, counted, heard)
    figures = text.translate(_AS_FIGURES)
    short = len(text) <= 3
    if (short or any(c.isdigit() for c in text)) and is_size(figures):
        return Said(figures, counted, heard)
    return Said(text, sure >= _SURE and bool(text), heard)
