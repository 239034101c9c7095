import type { Dimension, Ink, LinearDimension, Point, SheetDocument, View } from "../api/types";
import { viewOf } from "./axes";
import { askedDirection, directionByPlace, inView, nextId, type Pick, tidy } from "./geometry";

/** How the sizes of a row are taken: each from the one before, or all from the first point. */
export type RowManner = "chain" | "datum";
type Along = "across" | "up";

/** Two places along a row closer than this (mm) are one. */
const SAME = 1e-3;

/** Rows keep even distances from the view and from each other: the nearest one to where the pointer is. */
export function inRow(
  at: Point,
  along: Along,
  name: string,
  view: View,
  ink: Ink,
  document: SheetDocument,
): Point {
  const facts = ink.views.find((v) => v.id === name);
  if (!facts) return at;
  const axis = along === "across" ? 1 : 0;
  const [low, high] = [facts.box[axis], facts.box[axis + 2]] as [number, number];
  const beyond = at[axis] < low ? low - at[axis] : at[axis] > high ? at[axis] - high : 0;
  // Over the view itself a dimension stands where it is put.
  if (beyond === 0) return at;
  const sign = at[axis] < low ? -1 : 1;
  const edge = sign < 0 ? low : high;
  const step = along === "across" ? ink.next_row : ink.next_row_up;
  const even = Math.max(0, Math.round((beyond - ink.first_row) / step));
  const rows = [ink.first_row + even * step];
  for (const other of document.dimensions)
    if (other.kind === "linear" && other.view === name && other.along === along) {
      const off = sign * (view.at[axis] + other.place[axis] - edge);
      if (off > 0) rows.push(off);
    }
  const row = rows.reduce((a, b) => (Math.abs(b - beyond) < Math.abs(a - beyond) ? b : a));
  const level = edge + sign * row;
  return along === "across" ? [at[0], level] : [level, at[1]];
}

/** The dimensions beside the same side of a view as one of them, itself among them: they are moved together. */
export function stackOf(document: SheetDocument, ink: Ink | null, id: string): Set<string> {
  const side = (d: Dimension): string | null => {
    if (d.kind !== "linear" || d.along === "aligned") return null;
    const facts = ink?.views.find((v) => v.id === d.view);
    const view = document.views.find((v) => v.id === d.view);
    if (!facts || !view) return null;
    const axis = d.along === "across" ? 1 : 0;
    const level = view.at[axis] + d.place[axis];
    const [low, high] = [facts.box[axis], facts.box[axis + 2]] as [number, number];
    return level <= low
      ? `${d.view} ${d.along} low`
      : level >= high
        ? `${d.view} ${d.along} high`
        : null;
  };
  const own = document.dimensions.find((d) => d.id === id);
  const where = own && side(own);
  if (!where) return new Set([id]);
  return new Set(document.dimensions.filter((d) => side(d) === where).map((d) => d.id));
}

/** The direction of a row: square to a picked line, else open to where it is set down. None along a slant. */
export function rowDirection(taken: readonly Pick[], at: Point): Along | null {
  const [first, second] = taken;
  if (!first || !second) return null;
  for (const pick of taken) {
    const asked = askedDirection(pick, pick);
    if (asked) return asked === "aligned" ? null : asked;
  }
  const along = directionByPlace(lowest(taken), highest(taken), at);
  return along === "aligned" ? null : along;
}

function lowest(taken: readonly Pick[]): Point {
  return [Math.min(...taken.map((p) => p.at[0])), Math.min(...taken.map((p) => p.at[1]))];
}

function highest(taken: readonly Pick[]): Point {
  return [Math.max(...taken.map((p) => p.at[0])), Math.max(...taken.map((p) => p.at[1]))];
}

/** The pairs of points a row measures, with the number of the row each stands in, the nearest to the view first. */
export function pairsOfRow(
  taken: readonly Pick[],
  along: Along,
  manner: RowManner,
): { from: Pick; to: Pick; row: number }[] {
  const axis = along === "across" ? 0 : 1;
  const apart: Pick[] = [];
  for (const pick of taken)
    if (apart.every((other) => Math.abs(other.at[axis] - pick.at[axis]) > SAME)) apart.push(pick);
  if (manner === "chain") {
    const sorted = [...apart].sort((a, b) => a.at[axis] - b.at[axis]);
    return sorted.slice(1).map((to, index) => ({ from: sorted[index]!, to, row: 0 }));
  }
  const [datum, ...others] = apart;
  if (!datum) return [];
  const off = (pick: Pick) => pick.at[axis] - datum.at[axis];
  const rows = { before: 0, behind: 0 };
  return others
    .sort((a, b) => Math.abs(off(a)) - Math.abs(off(b)))
    .map((to) => ({ from: datum, to, row: rows[off(to) < 0 ? "before" : "behind"]++ }));
}

/** The dimensions of a row, set down at a point of the sheet; from a datum the longer ones stand further out. */
export function rowMade(
  taken: readonly Pick[],
  at: Point,
  manner: RowManner,
  ink: Ink,
  drawn: SheetDocument,
  document: SheetDocument,
): LinearDimension[] {
  const along = rowDirection(taken, at);
  const [first] = taken;
  if (!along || !first) return [];
  const { view, factor } = viewOf(first.view, drawn, ink);
  const axis = along === "across" ? 1 : 0;
  const [x, y] = inRow(at, along, first.view, view, ink, document);
  const facts = ink.views.find((v) => v.id === first.view);
  const middle = facts ? (facts.box[axis]! + facts.box[axis + 2]!) / 2 : 0;
  const outwards = (along === "across" ? y : x) < middle ? -1 : 1;
  const made: LinearDimension[] = [];
  for (const { from, to, row } of pairsOfRow(taken, along, manner)) {
    const off = outwards * row * (along === "across" ? ink.next_row : ink.next_row_up);
    const [px, py] = along === "across" ? [x, y + off] : [x + off, y];
    made.push({
      kind: "linear",
      id: nextId("d", [...document.dimensions, ...made]),
      view: first.view,
      start: inView(from.at, view, factor),
      end: inView(to.at, view, factor),
      along,
      place: [tidy(px - view.at[0]), tidy(py - view.at[1])],
      text: null,
      reference: false,
      by_half: false,
      shift: 0,
      arrows: "fitting",
    });
  }
  return made;
}
