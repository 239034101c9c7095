import type { Point, Snap } from "../../api/types";

/** Where the pen is set, and what it is set to. */
export interface PenPoint {
  at: Point;
  on: Snap["kind"] | "grid" | null;
}

/** The point nearest to the pointer that a pen can be set to exactly, else the paper grid, else the pointer. */
export function penPoint(pointer: Point, snaps: Snap[], grid: number, reach: number): PenPoint {
  let best: Snap | null = null;
  let least = reach;
  for (const snap of snaps) {
    const far = Math.hypot(snap.at[0] - pointer[0], snap.at[1] - pointer[1]);
    if (far < least) {
      least = far;
      best = snap;
    }
  }
  if (best) return { at: best.at, on: best.kind };
  if (!grid) return { at: pointer, on: null };
  return {
    at: [Math.round(pointer[0] / grid) * grid, Math.round(pointer[1] / grid) * grid],
    on: "grid",
  };
}
