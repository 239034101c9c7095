import type { PlacedPart } from "../api/types";

export type V3 = [number, number, number];
/** How a component stands. */
export type Standing = Pick<PlacedPart, "at" | "axes">;

const TIDY = 1e-12;

export function along(own: Standing, way: readonly number[]): V3 {
  return [0, 1, 2].map((k) =>
    own.axes.reduce((sum, axis, row) => sum + (way[row] ?? 0) * (axis[k] ?? 0), 0),
  ) as V3;
}

/** Where a point of a part is in the assembly. */
export function there(own: Standing, point: readonly number[]): V3 {
  return along(own, point).map((value, k) => value + (own.at[k] ?? 0)) as V3;
}

/** A component turned counter-clockwise by degrees about an axis of the assembly through a point. */
export function turnedBy(own: Standing, about: V3, axis: 0 | 1 | 2, degrees: number): Standing {
  const c = Math.cos((degrees * Math.PI) / 180);
  const s = Math.sin((degrees * Math.PI) / 180);
  const [a, b] = [(axis + 1) % 3, (axis + 2) % 3];
  const turn = (way: readonly number[]): V3 => {
    const out: V3 = [way[0] ?? 0, way[1] ?? 0, way[2] ?? 0];
    const [u, v] = [out[a] ?? 0, out[b] ?? 0];
    out[a] = c * u - s * v;
    out[b] = s * u + c * v;
    return out.map(tidied) as V3;
  };
  const away = turn(own.at.map((value, k) => value - about[k]!));
  return {
    at: away.map((value, k) => tidied(value + about[k]!)) as V3,
    axes: own.axes.map(turn) as Standing["axes"],
  };
}

/** Numbers that are whole but for what computing leaves are whole. */
function tidied(value: number): number {
  const whole = Math.round(value);
  return Math.abs(value - whole) < TIDY * Math.max(1, Math.abs(value)) ? whole + 0 : value;
}
