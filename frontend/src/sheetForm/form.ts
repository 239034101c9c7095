import type { Point, SheetForm } from "../api/types";

/** What of a form is taken hold of. Lines, texts and fields go by their place in it. */
export type Chosen =
  | { kind: "border" | "title" }
  | { kind: "line" | "text" | "field"; index: number };

export type Box = SheetForm["border"];
export const SIDES = ["left", "bottom", "right", "top"] as const;

/** Forms are drawn on a grid this fine, mm. */
export const STEP = 0.5;
const LEAST = 2;

const round = (value: number): number => Number(value.toFixed(3));

/** A length on the grid. */
export function onGrid(value: number): number {
  return round(Math.round(value / STEP) * STEP);
}

/** The end of a line that is drawn: level or upright, whichever is nearer. */
export function squared(from: Point, to: Point): Point {
  return Math.abs(to[0] - from[0]) >= Math.abs(to[1] - from[1])
    ? [to[0], from[1]]
    : [from[0], to[1]];
}

/** Where a line begins or ends: at an end or on a line of the form within reach, each way by itself, else on the grid. */
export function caught(form: SheetForm, [x, y]: Point, reach: number): Point {
  const corners = [form.border, form.title].flatMap(([l, b, r, t]): Point[] => [
    [l, b],
    [r, t],
  ]);
  const ends = form.lines.flatMap((line): Point[] => [line.start as Point, line.end as Point]);
  const nearest = (value: number, way: 0 | 1): number => {
    const near = [...corners, ...ends]
      .map((point) => point[way])
      .filter((own) => Math.abs(own - value) <= reach)
      .sort((a, b) => Math.abs(a - value) - Math.abs(b - value));
    return near[0] ?? onGrid(value);
  };
  return [nearest(x, 0), nearest(y, 1)];
}

function boxMoved([l, b, r, t]: Box, dx: number, dy: number): Box {
  return [round(l + dx), round(b + dy), round(r + dx), round(t + dy)];
}

/** A form with something moved. */
export function moved(form: SheetForm, chosen: Chosen, dx: number, dy: number): SheetForm {
  const point = ([x, y]: readonly number[]): Point => [round(x! + dx), round(y! + dy)];
  switch (chosen.kind) {
    case "border":
    case "title":
      return { ...form, [chosen.kind]: boxMoved(form[chosen.kind], dx, dy) };
    case "line":
      return changedAt(form, "lines", chosen.index, (line) => ({
        ...line,
        start: point(line.start),
        end: point(line.end),
      }));
    case "text":
      return changedAt(form, "texts", chosen.index, (text) => ({ ...text, at: point(text.at) }));
    case "field":
      return changedAt(form, "fields", chosen.index, (field) => ({
        ...field,
        box: boxMoved(field.box, dx, dy),
      }));
  }
}

/** A form with one of its lines, texts or fields changed. */
export function changedAt<Kind extends "lines" | "texts" | "fields">(
  form: SheetForm,
  kind: Kind,
  index: number,
  change: (own: SheetForm[Kind][number]) => SheetForm[Kind][number],
): SheetForm {
  return { ...form, [kind]: form[kind].map((own, k) => (k === index ? change(own) : own)) };
}

/** A rectangle with one side (0 left, 1 bottom, 2 right, 3 top) elsewhere; it never turns inside out. */
export function withSide(box: Box, side: number, value: number): Box {
  const next = [...box] as Box;
  const other = box[(side + 2) % 4]!;
  next[side] = round(side < 2 ? Math.min(value, other - LEAST) : Math.max(value, other + LEAST));
  return next;
}

/** The rectangle of border, title block or a field. */
export function boxOf(form: SheetForm, chosen: Chosen): Box | null {
  if (chosen.kind === "border" || chosen.kind === "title") return form[chosen.kind];
  return chosen.kind === "field" ? (form.fields[chosen.index]?.box ?? null) : null;
}

/** A form with the rectangle of border, title block or a field changed. */
export function withBox(form: SheetForm, chosen: Chosen, box: Box): SheetForm {
  if (chosen.kind === "border" || chosen.kind === "title") return { ...form, [chosen.kind]: box };
  if (chosen.kind !== "field") return form;
  return changedAt(form, "fields", chosen.index, (field) => ({ ...field, box }));
}

/** A form without a line, text or field; border and title block stay. */
export function without(form: SheetForm, chosen: Chosen): SheetForm {
  if (!("index" in chosen)) return form;
  const kind = `${chosen.kind}s` as "lines" | "texts" | "fields";
  const left = (form[kind] as unknown[]).filter((_, k) => k !== chosen.index);
  return { ...form, [kind]: left };
}

/** A box (mm, y up) as a rectangle of a picture whose y runs down. */
export function rectOf([l, b, r, top]: Box, height: number) {
  return { x: l, y: height - top, width: r - l, height: top - b };
}

/** Whether something is still there to be taken hold of. */
export function isThere(form: SheetForm, chosen: Chosen | null): chosen is Chosen {
  if (!chosen) return false;
  if (!("index" in chosen)) return true;
  return chosen.index < form[`${chosen.kind}s` as "lines"].length;
}
