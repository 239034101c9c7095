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

/** The nearest such point in a direction of the arrow keys. */
export function nextSnap(from: Point, [dx, dy]: Point, snaps: Snap[]): PenPoint | null {
  let best: Snap | null = null;
  let least = Infinity;
  for (const snap of snaps) {
    const [x, y] = [snap.at[0] - from[0], snap.at[1] - from[1]];
    const ahead = x * dx + y * dy;
    const aside = Math.abs(x * dy - y * dx);
    if (ahead > 0.05 && ahead + 2 * aside < least) {
      least = ahead + 2 * aside;
      best = snap;
    }
  }
  return best && { at: best.at, on: best.kind };
}
