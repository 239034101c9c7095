import type { Point } from "../../api/types";
import { foot, nearest, type Pick } from "../geometry";

/** A line that a thin line takes its direction from: the point of it that was pointed at, and its way. */
export interface Ruler {
  at: Point;
  /** A unit vector. */
  way: Point;
}

/** A line is pointed at within this, mm. */
const REACH = 3;

/** The line that is pointed at among drawn and thin ones; null where there is none. */
export function rulerAt(lines: Pick[], pointer: Point): Ruler | null {
  const hit = nearest(lines, pointer, REACH, ["line"]);
  if (hit?.kind !== "line") return null;
  const [dx, dy] = [hit.end[0] - hit.start[0], hit.end[1] - hit.start[1]];
  const length = Math.hypot(dx, dy);
  if (length === 0) return null;
  return { at: foot(pointer, hit.start, hit.end), way: [dx / length, dy / length] };
}
