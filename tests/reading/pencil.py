"""Sheets drawn by hand: ink as a pencil would leave it, with ruler and compasses or without, and letters by hand."""

import io
import math
import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Final

import numpy as np
from PIL import Image, ImageDraw

from maqueta.drawing.ink import Arc, Filled, InkGroup, Stroke, Text, Tinted
from maqueta.drawing.pens import DASHES, WIDTHS, Pen
from maqueta.geometry.carrier import Point
from maqueta.sheet.paper import Layout
from tests.reading.letter_shapes import penned

#: How dark lines are drawn, grey values of wide and of narrow ones.
_DARK, _LIGHT = 70, 105


@dataclass(frozen=True)
class Pencil:
    """How well a hand draws, all in mm: how far off its place a line is drawn, how far it runs past its ends or stops
    short of them, how much it wavers; `letters` is how much of their height letters vary."""

    name: str
    off: float
    past: float
    wavers: float
    letters: float


RULED: Final = Pencil("pencil and ruler", off=0.25, past=0.4, wavers=0.05, letters=0.05)
FREEHAND: Final = Pencil("freehand", off=0.35, past=0.5, wavers=0.3, letters=0.08)


def drawn_by_hand(
    groups: Sequence[InkGroup], layout: Layout, hand: Pencil, dots: float = 200.0, seed: int = 1
) -> bytes:
    """A scan of a sheet drawn by hand on paper with a printed border and title block: the lines of those are true."""
    rng, scale, fine = random.Random(seed), dots / 25.4, 3
    size = (round(layout.width * scale), round(layout.height * scale))
    image = Image.new("L", (size[0] * fine, size[1] * fine), 255)
    brush = ImageDraw.Draw(image)

    def at(point: Point) -> Point:
        return (point[0] * scale * fine, (layout.height - point[1]) * scale * fine)

    def line(points: Sequence[Point], width: float, grey: int) -> None:
        brush.line([at(p) for p in points], fill=grey, width=max(2, round(width * scale * fine)), joint="curve")

    for group in groups:
        printed = group.role in ("frame", "title")
        for item in group.items:
            if isinstance(item, Filled):
                brush.polygon([at(p) for p in item.points], fill=_LIGHT)
            elif isinstance(item, Text):
                for stretch in _lettered(item, rng, hand):
                    line(stretch, 0.1 * item.height, _LIGHT)
            elif not isinstance(item, Tinted):
                shade = _DARK if WIDTHS[item.pen] > 0.3 else _LIGHT
                for stretch in [_true(item)] if printed else _strokes(item, rng, hand):
                    line(stretch, WIDTHS[item.pen] * rng.uniform(0.85, 1.15), shade)
    grey = np.asarray(image.resize(size, Image.Resampling.BOX), dtype=np.float32)
    # Graphite lies on the ridges of the paper alone.
    grain = np.random.default_rng(seed).normal(0.0, 1.0, grey.shape).astype(np.float32)
    marked = np.clip((255 - grey) * (1.0 + 0.18 * grain), 0, 255)
    paper = 246 + 3 * grain
    out = io.BytesIO()
    # Packed with the least effort: grain does not pack, and most of the time would go into trying.
    Image.fromarray(np.clip(paper - marked, 0, 255).astype(np.uint8)).save(
        out, "PNG", dpi=(dots, dots), compress_level=1
    )
    return out.getvalue()


def _true(item: Stroke | Arc) -> list[Point]:
    if isinstance(item, Stroke):
        return list(item.points)
    count = max(12, math.ceil(item.sweep * item.radius))
    angles = (item.start + item.sweep * k / count for k in range(count + 1))
    return [(item.centre[0] + item.radius * math.cos(t), item.centre[1] + item.radius * math.sin(t)) for t in angles]


def _strokes(item: Stroke | Arc, rng: random.Random, hand: Pencil) -> Iterator[list[Point]]:
    """One line as the hand draws it, in dashes where its pen has them."""
    points = _true(item)
    if isinstance(item, Stroke) and len(points) == 2:
        points = _reaching(points, rng, hand)
    off = (rng.gauss(0, hand.off / 2), rng.gauss(0, hand.off / 2))
    waves = [(rng.uniform(12, 50), rng.uniform(0, math.tau), rng.gauss(0, hand.wavers / 2)) for _ in range(3)]
    whole, travelled = _fine(points), 0.0
    moved = []
    for place, (x, y) in enumerate(whole):
        if place:
            travelled += math.dist(whole[place - 1], (x, y))
        (x0, y0), (x1, y1) = whole[max(0, place - 1)], whole[min(len(whole) - 1, place + 1)]
        long = math.dist((x0, y0), (x1, y1)) or 1.0
        aside = sum(high * math.sin(math.tau * travelled / wave + phase) for wave, phase, high in waves)
        moved.append((x + off[0] - (y1 - y0) / long * aside, y + off[1] + (x1 - x0) / long * aside))
    yield from _dashed(moved, item.pen, rng)


def _reaching(points: Sequence[Point], rng: random.Random, hand: Pencil) -> list[Point]:
    """A straight line a little past its ends, or short of them, and a little askew."""
    (x0, y0), (x1, y1) = points
    long = math.dist(*points) or 1.0
    ux, uy = (x1 - x0) / long, (y1 - y0) / long
    ends = []
    for (x, y), sign in ((points[0], -1.0), (points[1], 1.0)):
        past, aside = sign * rng.gauss(0.1, hand.past / 2), rng.gauss(0, hand.off / 2)
        ends.append((x + past * ux - aside * uy, y + past * uy + aside * ux))
    return ends


def _fine(points: Sequence[Point]) -> list[Point]:
    """The same line with a point every mm or so."""
    found = [points[0]]
    for p, q in pairwise(points):
        count = max(1, math.ceil(math.dist(p, q)))
        found += [(p[0] + (q[0] - p[0]) * k / count, p[1] + (q[1] - p[1]) * k / count) for k in range(1, count + 1)]
    return found


def _dashed(points: Sequence[Point], pen: Pen, rng: random.Random) -> Iterator[list[Point]]:
    """A line in the dashes of its pen, none as long as the next."""
    if pen not in DASHES:
        yield list(points)
        return
    pattern, step = DASHES[pen], 0
    left, run = pattern[0] * rng.uniform(0.8, 1.2), [points[0]]
    for p, q in pairwise(points):
        here = p
        while math.dist(here, q) > left:
            share = left / math.dist(here, q)
            here = (here[0] + (q[0] - here[0]) * share, here[1] + (q[1] - here[1]) * share)
            if step % 2 == 0:
                yield [*run, here]
            step += 1
            run, left = [here], max(0.35, pattern[step % len(pattern)] * rng.uniform(0.8, 1.2))
        left -= math.dist(here, q)
        run.append(q)
    if step % 2 == 0:
        yield run


def _lettered(item: Text, rng: random.Random, hand: Pencil) -> Iterator[list[Point]]:
    """A text letter by letter, each a little larger or smaller, higher or lower than it should be."""
    _, wide = penned(item.text, item.height)
    turn = math.radians(item.angle)
    c, s = math.cos(turn), math.sin(turn)
    left = {"start": 0.0, "middle": -wide / 2, "end": -wide}[item.anchor]
    for letter in item.text:
        strokes, across = penned(letter, item.height)
        share, up = 1 + rng.gauss(0, hand.letters), rng.gauss(0, hand.letters * item.height / 2)
        for stroke in strokes:
            own = [(left + x * share, y * share + up) for x, y in stroke]
            yield [(item.at[0] + x * c - y * s, item.at[1] + x * s + y * c) for x, y in own]
        left += across + item.height / 3
