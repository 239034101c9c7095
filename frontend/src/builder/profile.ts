import { t } from "../frame/language";

/** A profile while it is drawn: steps as the recipe keeps them, and the plain outline they stand for. */
export type Num = number | string;
export type Step =
  | [Num, Num]
  | { to: [Num, Num]; radius: Num }
  | { through: [Num, Num]; to: [Num, Num] };
export type Flat = [number, number];

export function endOf(step: Step): [Num, Num] {
  return Array.isArray(step) ? step : step.to;
}

export function withEnd(step: Step, to: [Num, Num]): Step {
  return Array.isArray(step) ? to : { ...step, to };
}

export function kindOf(step: Step): "line" | "rounded" | "arc" {
  if (Array.isArray(step)) return "line";
  return "radius" in step ? "rounded" : "arc";
}

function plainEnd(step: Step): Flat {
  const [x, y] = endOf(step);
  return [Number(x), Number(y)];
}

/** The circle through three points as points along the arc; a straight line when they lie in line. */
function arcPoints(a: Flat, b: Flat, c: Flat): Flat[] {
  const d = 2 * (a[0] * (b[1] - c[1]) + b[0] * (c[1] - a[1]) + c[0] * (a[1] - b[1]));
  if (Math.abs(d) < 1e-9) return [c];
  const square = (p: Flat) => p[0] ** 2 + p[1] ** 2;
  const x = (square(a) * (b[1] - c[1]) + square(b) * (c[1] - a[1]) + square(c) * (a[1] - b[1])) / d;
  const y = (square(a) * (c[0] - b[0]) + square(b) * (a[0] - c[0]) + square(c) * (b[0] - a[0])) / d;
  const radius = Math.hypot(a[0] - x, a[1] - y);
  const angle = (p: Flat) => Math.atan2(p[1] - y, p[0] - x);
  const turn = 2 * Math.PI;
  const from = angle(a);
  const middle = (((angle(b) - from) % turn) + turn) % turn;
  const last = (((angle(c) - from) % turn) + turn) % turn;
  const sweep = middle < last ? last : last - turn;
  return Array.from({ length: 24 }, (_, k) => {
    const t = from + (sweep * (k + 1)) / 24;
    return [x + radius * Math.cos(t), y + radius * Math.sin(t)];
  });
}

/** The rounding of a corner as points; the corner itself when it cannot be rounded. */
function roundedPoints(before: Flat, at: Flat, after: Flat, radius: number): Flat[] {
  const [l, m] = [
    Math.hypot(before[0] - at[0], before[1] - at[1]),
    Math.hypot(after[0] - at[0], after[1] - at[1]),
  ];
  if (!l || !m || !(radius > 0)) return [at];
  const u: Flat = [(before[0] - at[0]) / l, (before[1] - at[1]) / l];
  const v: Flat = [(after[0] - at[0]) / m, (after[1] - at[1]) / m];
  const half = Math.acos(Math.max(-1, Math.min(1, u[0] * v[0] + u[1] * v[1]))) / 2;
  const reach = radius / Math.tan(half);
  if (!(reach <= Math.min(l, m) + 1e-9)) return [at];
  const norm = Math.hypot(u[0] + v[0], u[1] + v[1]);
  const inward = radius / Math.sin(half) - radius;
  const start: Flat = [at[0] + reach * u[0], at[1] + reach * u[1]];
  const middle: Flat = [
    at[0] + (inward * (u[0] + v[0])) / norm,
    at[1] + (inward * (u[1] + v[1])) / norm,
  ];
  const end: Flat = [at[0] + reach * v[0], at[1] + reach * v[1]];
  return [start, ...arcPoints(start, middle, end)];
}

/** The closed outline of a profile in plain numbers, as points. */
export function outline(steps: readonly Step[]): Flat[] {
  const ends = steps.map(plainEnd);
  return steps.flatMap((step, k): Flat[] => {
    const before = ends[(k + ends.length - 1) % ends.length]!;
    const at = ends[k]!;
    if (Array.isArray(step)) return [at];
    if ("radius" in step)
      return roundedPoints(before, at, ends[(k + 1) % ends.length]!, Number(step.radius));
    return arcPoints(before, [Number(step.through[0]), Number(step.through[1])], at);
  });
}

function crosses(a: Flat, b: Flat, c: Flat, d: Flat): boolean {
  const side = (p: Flat, q: Flat, r: Flat) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]));
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}

/** What is wrong with an outline, in words; null when it can bound a face. */
export function faultOf(steps: readonly Step[]): string | null {
  if (steps.length < 3)
    return t("The profile is open: a closed outline has at least three points.");
  const points = outline(steps);
  const n = points.length;
  for (let i = 0; i < n; i++) {
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      if (crosses(points[i]!, points[(i + 1) % n]!, points[j]!, points[(j + 1) % n]!)) {
        return t("The profile crosses itself.");
      }
    }
  }
  const area = points.reduce((sum, [x, y], k) => {
    const [p, q] = points[(k + 1) % n]!;
    return sum + x * q - p * y;
  }, 0);
  return Math.abs(area) < 1e-9 ? t("The profile encloses no area.") : null;
}

/** A grid step that leaves a few dozen squares across. */
export function gridStep(span: number): number {
  const rough = span / 24;
  const digit = 10 ** Math.floor(Math.log10(rough));
  return [1, 2, 5, 10].map((k) => k * digit).find((step) => step >= rough) ?? digit * 10;
}
