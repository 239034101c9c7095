import type { Point, View } from "../../api/types";
import type { Bench } from "../bench";

/** The scale a first view starts at: the one asked for, else full size. */
export function startingScale(bench: Bench): number {
  const others = bench.document.views.find((v) => v.side);
  if (others) return others.scale;
  const asked = bench.exercise.task.scale;
  if (!asked) return 1;
  const [paper, model] = asked.split(":").map(Number);
  return paper && model ? paper / model : 1;
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
