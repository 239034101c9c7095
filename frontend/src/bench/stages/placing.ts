import type { Point, View } from "../../api/types";
import type { Box } from "../../paper/Paper";
import type { Bench } from "../bench";

/** White left around a view that is put on the sheet. */
const CLEAR_MM = 4;
/** Rows and columns of places that are tried. */
const STEPS = 9;

/** The scale a first view starts at: the one asked for, else full size. */
export function startingScale(bench: Bench): number {
  const others = bench.document.views.find((v) => v.kind === "principal");
  if (others) return others.scale;
  const asked = bench.exercise.task.scale;
  if (!asked) return 1;
  const [paper, model] = asked.split(":").map(Number);
  return paper && model ? paper / model : 1;
}

/** A box moved by some millimetres. */
export function shifted([left, bottom, right, top]: Box, [dx, dy]: Point): Box {
  return [left + dx, bottom + dy, right + dx, top + dy];
}

/** Whether two boxes share more than an edge. */
export function overlapping(a: Box, b: Box): boolean {
  return a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];
}

/** The first place for a view of some size (mm) that lies on no other, near a place; that place where there is none. */
export function freePlace(near: Point, span: Point, taken: readonly Box[], area: Box): Point {
  const around = (at: Point): Box => [
    at[0] - span[0] / 2 - CLEAR_MM,
    at[1] - span[1] / 2 - CLEAR_MM,
    at[0] + span[0] / 2 + CLEAR_MM,
    at[1] + span[1] / 2 + CLEAR_MM,
  ];
  const [left, bottom, right, top] = area;
  const places: Point[] = [near];
  for (let column = 0; column < STEPS; column++)
    for (let row = 0; row < STEPS; row++)
      places.push([
        left + ((column + 0.5) / STEPS) * (right - left),
        bottom + ((row + 0.5) / STEPS) * (top - bottom),
      ]);
  const far = (at: Point) => Math.hypot(at[0] - near[0], at[1] - near[1]);
  const free = places.filter((at) => !taken.some((box) => overlapping(around(at), box)));
  return free.sort((a, b) => far(a) - far(b))[0] ?? near;
}

/** A free spot to set a new view down; putting it in its right place is the drafter's work. */
export function startingPlace(bench: Bench, what: "front" | "view" | "pictorial"): Point {
  const [left, bottom, right, top] = bench.paper?.drawing_area ?? [20, 20, 400, 280];
  const spots: Record<typeof what, Point> = {
    front: [0.3, 0.3],
    view: [0.6, 0.55],
    pictorial: [0.78, 0.75],
  };
  const [x, y] = spots[what];
  const step = what === "view" ? 8 * (bench.document.views.length % 4) : 0;
  return [left + x * (right - left) + step, bottom + y * (top - bottom) - step];
}

export const SCALES: { label: string; value: number }[] = [
  { label: "10:1", value: 10 },
  { label: "5:1", value: 5 },
  { label: "2:1", value: 2 },
  { label: "1:1", value: 1 },
  { label: "3:4", value: 0.75 },
  { label: "1:2", value: 0.5 },
  { label: "1:4", value: 0.25 },
  { label: "1:5", value: 0.2 },
  { label: "1:10", value: 0.1 },
];

export function scaleLabel(view: View): string {
  return SCALES.find((s) => Math.abs(s.value / view.scale - 1) < 1e-6)?.label ?? `${view.scale}:1`;
}
