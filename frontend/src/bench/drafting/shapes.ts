import type { Point, SheetDocument, View } from "../../api/types";
import { inView, nextId } from "../geometry";
import type { Ruler } from "./rulers";
import type { DraftTool, Pen } from "./tools";

/** What the pen draws, in sheet mm; angles counter-clockwise in radians. */
export type Shape =
  | { kind: "line"; from: Point; to: Point }
  | { kind: "arc"; centre: Point; radius: number; start: number; sweep: number };

const TURN = 2 * Math.PI;

/**
 * The shapes a tool makes of the points taken so far and the pointer; empty while there are too few.
 * `ruler` is the line a tool takes its direction from.
 */
export function shapesOf(
  tool: DraftTool,
  points: Point[],
  paper: [number, number],
  ruler: Ruler | null = null,
): Shape[] {
  const [a, b, c, d] = points;
  switch (tool) {
    case "line":
      return a && b ? [{ kind: "line", from: a, to: b }] : [];
    case "rectangle": {
      if (!a || !b) return [];
      const corners: Point[] = [a, [b[0], a[1]], b, [a[0], b[1]]];
      return corners.map((from, k) => ({ kind: "line", from, to: corners[(k + 1) % 4]! }));
    }
    case "circle":
      if (!a || !b) return [];
      return [{ kind: "arc", centre: a, radius: apart(a, b), start: 0, sweep: TURN }];
    case "arc": {
      if (!a || !b) return [];
      const start = angle(a, b);
      const sweep = c ? (angle(a, c) - start + 2 * TURN) % TURN : TURN;
      return [{ kind: "arc", centre: a, radius: apart(a, b), start, sweep: sweep || TURN }];
    }
    case "throw":
      return a && b ? [across(a, dominant(a, b), paper)] : [];
    case "mitre":
      return a ? [across(a, b && slope(a, b) < 0 ? [1, -1] : [1, 1], paper)] : [];
    case "carry": {
      if (!a || !b || !c || !d) return [];
      const far = measure(a, b);
      const way = dominant(c, d);
      const sign = way[0] ? Math.sign(d[0] - c[0]) || 1 : Math.sign(d[1] - c[1]) || 1;
      const at: Point = [c[0] + way[0] * sign * far, c[1] + way[1] * sign * far];
      return [across(at, [way[1], way[0]], paper)];
    }
    case "square":
      return b && ruler ? [across(b, [-ruler.way[1], ruler.way[0]], paper)] : [];
    case "set off": {
      if (!a || !b || !d || !ruler) return [];
      const { at, way } = ruler;
      const side = Math.sign((d[0] - at[0]) * -way[1] + (d[1] - at[1]) * way[0]) || 1;
      const far = side * apart(a, b);
      return [across([at[0] - far * way[1], at[1] + far * way[0]], way, paper)];
    }
    default:
      return [];
  }
}

/** The size between two points along the direction in which they lie further apart. */
export function measure(a: Point, b: Point): number {
  return Math.max(Math.abs(a[0] - b[0]), Math.abs(a[1] - b[1]));
}

function apart(a: Point, b: Point): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1]);
}

function angle(centre: Point, p: Point): number {
  return Math.atan2(p[1] - centre[1], p[0] - centre[0]);
}

function slope(a: Point, b: Point): number {
  return (b[0] - a[0]) * (b[1] - a[1]);
}

function dominant(a: Point, b: Point): Point {
  return Math.abs(b[0] - a[0]) >= Math.abs(b[1] - a[1]) ? [1, 0] : [0, 1];
}

/** A line through a point from edge to edge of the paper. */
function across(p: Point, [dx, dy]: Point, [width, height]: [number, number]): Shape {
  const reaches: [number, number][] = [];
  if (dx) reaches.push(order(-p[0] / dx, (width - p[0]) / dx));
  if (dy) reaches.push(order(-p[1] / dy, (height - p[1]) / dy));
  const low = Math.max(...reaches.map(([s]) => s));
  const high = Math.min(...reaches.map(([, t]) => t));
  return {
    kind: "line",
    from: [p[0] + low * dx, p[1] + low * dy],
    to: [p[0] + high * dx, p[1] + high * dy],
  };
}

function order(a: number, b: number): [number, number] {
  return a < b ? [a, b] : [b, a];
}

/** A point at a fixed distance from another, in the direction of the pointer. */
export function atDistance(from: Point, to: Point, far: number): Point {
  const length = apart(from, to) || 1;
  return [
    from[0] + ((to[0] - from[0]) / length) * far,
    from[1] + ((to[1] - from[1]) / length) * far,
  ];
}

/** Level or upright from a point, whichever the pointer is nearer to. */
export function squared(from: Point, to: Point): Point {
  return dominant(from, to)[0] ? [to[0], from[1]] : [from[0], to[1]];
}

const NEARLY = Math.tan((6 * Math.PI) / 180);

/** The pointer, brought level or upright from a point when it nearly is. */
export function levelled(from: Point, to: Point): Point {
  const [dx, dy] = [Math.abs(to[0] - from[0]), Math.abs(to[1] - from[1])];
  return Math.min(dx, dy) <= NEARLY * Math.max(dx, dy) ? squared(from, to) : to;
}

const LEAST_MM = 0.05;

/** The sheet with shapes drawn into a drafted view; the centre pen makes centre lines and marks. */
export function drawnInto(
  document: SheetDocument,
  view: View,
  factor: number,
  shapes: Shape[],
  pen: Pen,
): SheetDocument {
  const real = shapes.filter(
    (s) => (s.kind === "line" ? apart(s.from, s.to) : s.radius) > LEAST_MM,
  );
  const marks = [...document.marks];
  const lines = [...(view.lines ?? [])];
  for (const shape of real) {
    const id = nextId("m", marks);
    if (shape.kind === "line") {
      const [start, end] = [inView(shape.from, view, factor), inView(shape.to, view, factor)];
      if (pen === "centre") marks.push({ kind: "line", id, view: view.id, start, end, beyond: 0 });
      else lines.push({ ...PLAIN, kind: "line", pen, points: [start, end] });
    } else {
      const centre = inView(shape.centre, view, factor);
      const radius = shape.radius / factor;
      if (pen === "centre") marks.push({ kind: "mark", id, view: view.id, centre, radius });
      else
        lines.push({
          ...PLAIN,
          kind: "arc",
          pen,
          centre,
          radius,
          start: shape.start,
          sweep: shape.sweep,
        });
    }
  }
  if (!real.length) return document;
  const views = document.views.map((v) => (v.id === view.id ? { ...v, lines } : v));
  return { ...document, views, marks };
}

const PLAIN = { short: 0, either: false, solid: false };
