import type { LinearDimension, Point } from "../api/types";
import { tidy } from "./geometry";

/** Pulled so far off its line (mm), a text stands on a leader; nearer than that it slides along the line. */
const PULLED_OFF = 7;
/** So near to the middle (mm), a text is in the middle. */
const MIDDLE = 1.5;

/** The direction of a dimension line on the sheet, to the right or upwards, as a unit vector. */
export function directionOf({ along, start, end }: LinearDimension): Point {
  if (along === "across") return [1, 0];
  if (along === "up") return [0, 1];
  const [dx, dy] = [end[0] - start[0], end[1] - start[1]];
  const length = Math.hypot(dx, dy) || 1;
  const sign = dx > 1e-9 || (Math.abs(dx) <= 1e-9 && dy > 0) ? 1 : -1;
  return [(sign * dx) / length, (sign * dy) / length];
}

/**
 * Where the text of a dimension stands once it is let go: slid along its line, or pulled off onto a leader.
 * `from` and `to` are the middles of the text before and after, in sheet mm from the view's `at`.
 */
export function textLetGo(
  dimension: LinearDimension,
  from: Point,
  to: Point,
): Pick<LinearDimension, "shift" | "led"> {
  const [ax, ay] = directionOf(dimension);
  const off = (to[1] - dimension.place[1]) * ax - (to[0] - dimension.place[0]) * ay;
  if (Math.abs(off) > PULLED_OFF) return { shift: 0, led: [tidy(to[0]), tidy(to[1])] };
  const slid = (to[0] - from[0]) * ax + (to[1] - from[1]) * ay;
  const shift = dimension.led ? 0 : tidy(dimension.shift + slid);
  return { shift: Math.abs(shift) < MIDDLE ? 0 : shift, led: null };
}
