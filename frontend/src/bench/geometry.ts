import { MathUtils, Quaternion, Vector3 } from "three";

import type { Dimension, Ink, LinearDimension, Point, SheetDocument, View } from "../api/types";
import { turnOf, turnOfCorner, turnOfFrame } from "../turntable/attitude";
import type { Side } from "../api/types";

export const MM_PER_UNIT = { mm: 1, inch: 25.4 } as const;

export type Unit = keyof typeof MM_PER_UNIT;

/** Where the middle of the part's bounding box is seen in a view, in the part's unit. */
export function middleInView(view: { look?: View["look"] }, middle: Point3, up: Side): Point {
  const seen = new Vector3(...middle).applyQuaternion(turnOfLook(view.look, up));
  return [seen.x, seen.y];
}

/** Width and height of the part's bounding box as a view shows it, in the part's unit. */
export function spanInView(view: { look?: View["look"] }, extents: Point3, up: Side): Point {
  const turn = turnOfLook(view.look, up);
  const reach: Point = [0, 0];
  extents.forEach((extent, axis) => {
    const edge = new Vector3().setComponent(axis, extent).applyQuaternion(turn);
    reach[0] += Math.abs(edge.x);
    reach[1] += Math.abs(edge.y);
  });
  return reach;
}

/** How the part is turned before the reader of a view. */
function turnOfLook(look: View["look"], up: Side): Quaternion {
  if (!look) return new Quaternion();
  if ("side" in look) return turnOf(look);
  if ("frame" in look) return turnOfFrame(look.frame);
  const turn = turnOfCorner(look.corner, up);
  const onSheet = new Quaternion().setFromAxisAngle(TOWARDS, MathUtils.degToRad(look.turn));
  return onSheet.multiply(turn);
}

const TOWARDS = new Vector3(0, 0, 1);

export type Point3 = [number, number, number];

/** Place a view so that its middle lies at a point of the sheet. */
export function centredAt(view: View, middle: Point3, up: Side, unit: Unit, centre: Point): View {
  const [u, v] = middleInView(view, middle, up);
  const factor = view.scale * MM_PER_UNIT[unit];
  return { ...view, at: [tidy(centre[0] - factor * u), tidy(centre[1] - factor * v)] };
}

/** The middle of a view on the sheet. */
export function centreOf(view: View, middle: Point3, up: Side, unit: Unit): Point {
  const [u, v] = middleInView(view, middle, up);
  const factor = view.scale * MM_PER_UNIT[unit];
  return [view.at[0] + factor * u, view.at[1] + factor * v];
}

export function tidy(value: number): number {
  return Math.round(value * 1000) / 1000;
}

export function nextId(prefix: string, taken: { id: string }[]): string {
  let number = taken.length + 1;
  while (taken.some((t) => t.id === `${prefix}${number}`)) number += 1;
  return `${prefix}${number}`;
}

/** Things a pointer can take hold of on a view. */
export type Pick =
  | { kind: "point"; view: string; at: Point }
  | { kind: "line"; view: string; at: Point; start: Point; end: Point }
  | {
      kind: "circle";
      view: string;
      at: Point;
      centre: Point;
      radius: number;
      full: boolean;
      /** Whether it runs through the centres of holes, and is no line of the part. */
      pitch: boolean;
    };

function distance(a: Point, b: Point): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1]);
}

export function foot(p: Point, a: Point, b: Point): Point {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const t = ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy);
  const k = Math.max(0, Math.min(1, t));
  return [a[0] + k * dx, a[1] + k * dy];
}

/** Views whose sizes are true, so that they can be dimensioned. */
const TRUE_SIZED: ReadonlySet<string> = new Set(["principal", "auxiliary", "section", "detail"]);

/** All points, lines and circles of the drawn views, in sheet mm. */
export function pickables(ink: Ink, document: SheetDocument): Pick[] {
  const found: Pick[] = [];
  const principal = new Set(document.views.filter((v) => TRUE_SIZED.has(v.kind)).map((v) => v.id));
  for (const group of ink.groups) {
    if (group.role !== "view") continue;
    const view = group.id;
    for (const item of group.items) {
      // Sizes and points are taken from edges, never from the strokes of a hatching.
      if ("pen" in item && item.pen === "hatching") continue;
      if (item.kind === "stroke" && item.points.length === 2) {
        const [a, b] = item.points as [Point, Point];
        found.push({ kind: "point", view, at: a }, { kind: "point", view, at: b });
        found.push({ kind: "line", view, at: a, start: a, end: b });
      } else if (item.kind === "arc" && principal.has(view)) {
        const full = item.sweep > 2 * Math.PI - 1e-6;
        const on = (t: number): Point => [
          item.centre[0] + item.radius * Math.cos(t),
          item.centre[1] + item.radius * Math.sin(t),
        ];
        found.push({ kind: "point", view, at: item.centre });
        for (let k = 0; k < 4; k++) {
          const t = (k * Math.PI) / 2;
          const inside =
            full || (t - item.start + 4 * Math.PI) % (2 * Math.PI) <= item.sweep + 1e-9;
          if (inside) found.push({ kind: "point", view, at: on(t) });
        }
        if (!full) {
          found.push({ kind: "point", view, at: on(item.start) });
          found.push({ kind: "point", view, at: on(item.start + item.sweep) });
        }
        found.push({
          kind: "circle",
          view,
          at: on(0),
          centre: item.centre,
          radius: item.radius,
          full,
          pitch: false,
        });
      }
    }
  }
  for (const { id, factor, pitch_circles } of ink.views) {
    const view = document.views.find((v) => v.id === id);
    if (!view) continue;
    for (const [[x, y], r] of pitch_circles) {
      const centre: Point = [view.at[0] + factor * x, view.at[1] + factor * y];
      const radius = factor * r;
      const at: Point = [centre[0] + radius, centre[1]];
      found.push({ kind: "circle", view: id, at, centre, radius, full: true, pitch: true });
    }
  }
  return found;
}

/** The thin lines of drafted views, in sheet mm: directions are taken from them too. */
export function thinLines(ink: Ink): Pick[] {
  return ink.groups
    .filter((group) => group.role === "construction")
    .flatMap(({ id, items }) =>
      items.flatMap((item): Pick[] => {
        if (item.kind !== "stroke" || item.points.length !== 2) return [];
        const [start, end] = item.points as [Point, Point];
        return [{ kind: "line", view: id, at: start, start, end }];
      }),
    );
}

/** What lies nearest to the pointer within reach; points go before lines and circles. */
export function nearest(
  picks: Pick[],
  pointer: Point,
  reach: number,
  kinds: readonly Pick["kind"][],
  view?: string,
): Pick | null {
  let best: Pick | null = null;
  let least = Infinity;
  for (const pick of picks) {
    if (!kinds.includes(pick.kind) || (view && pick.view !== view)) continue;
    let far: number;
    let found: Pick = pick;
    if (pick.kind === "point") far = distance(pick.at, pointer);
    else if (pick.kind === "circle") far = Math.abs(distance(pick.centre, pointer) - pick.radius);
    else {
      const at = foot(pointer, pick.start, pick.end);
      far = distance(at, pointer);
      const near = distance(at, pick.start) < distance(at, pick.end) ? pick.start : pick.end;
      found = { ...pick, at: near };
    }
    const rank = far + (pick.kind === "point" ? 0 : reach * 0.6);
    if (far <= reach && rank < least) {
      least = rank;
      best = found;
    }
  }
  return best;
}

/** How near a pointer must come to a thing on the sheet, in pixels. */
export const REACH_PX = 10;

/** Directions of the arrow keys on the sheet. */
export const WAYS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The next point of a view in a direction of the arrow keys. */
export function nextPoint(picks: Pick[], from: Point, key: string, view?: string): Pick | null {
  const way = WAYS[key];
  const points = picks.filter((pick) => pick.kind === "point" && (!view || pick.view === view));
  return way ? nextAlong(points, from, way) : null;
}

/** The nearest thing ahead in a direction; what lies aside counts as further away. */
export function nextAlong<T extends { at: Point }>(things: T[], from: Point, way: Point): T | null {
  let best: T | null = null;
  let least = Infinity;
  for (const thing of things) {
    const [dx, dy] = [thing.at[0] - from[0], thing.at[1] - from[1]];
    const ahead = dx * way[0] + dy * way[1];
    const aside = Math.abs(dx * way[1] - dy * way[0]);
    if (ahead > 0.05 && ahead + 2 * aside < least) {
      least = ahead + 2 * aside;
      best = thing;
    }
  }
  return best;
}

type Along = LinearDimension["along"];

/** The direction two picks ask for: square to a picked line, else open to where the dimension is placed. */
export function askedDirection(a: Pick, b: Pick): Along | null {
  for (const pick of [a, b]) {
    if (pick.kind !== "line") continue;
    const [dx, dy] = [Math.abs(pick.end[0] - pick.start[0]), Math.abs(pick.end[1] - pick.start[1])];
    if (dx < 1e-6) return "across";
    if (dy < 1e-6) return "up";
    return "aligned";
  }
  return null;
}

/** Above or below the two points a size runs across, beside them it runs up. */
export function directionByPlace(a: Point, b: Point, place: Point): Along {
  const outX = Math.max(Math.min(a[0], b[0]) - place[0], place[0] - Math.max(a[0], b[0]));
  const outY = Math.max(Math.min(a[1], b[1]) - place[1], place[1] - Math.max(a[1], b[1]));
  if (Math.abs(a[0] - b[0]) < 1e-6) return "up";
  if (Math.abs(a[1] - b[1]) < 1e-6) return "across";
  return outY >= outX ? "across" : "up";
}

/** A point of the sheet in the plane of a view, in the part's unit. */
export function inView(point: Point, view: View, factor: number): Point {
  return [(point[0] - view.at[0]) / factor, (point[1] - view.at[1]) / factor];
}

export function offsetOf(
  item: { role: string; id: string; owner?: string | null },
  shown: SheetDocument,
  drawn: SheetDocument,
): { view: Point; place: Point } {
  const id = item.role === "view" ? item.id : item.owner;
  const now = shown.views.find((v) => v.id === id);
  const then = drawn.views.find((v) => v.id === id);
  const view: Point = now && then ? [now.at[0] - then.at[0], now.at[1] - then.at[1]] : [0, 0];
  const find = (d: SheetDocument): Dimension | undefined =>
    d.dimensions.find((x) => x.id === item.id);
  const [a, b] = item.role === "dimension" ? [find(shown), find(drawn)] : [undefined, undefined];
  const place: Point = a && b ? [a.place[0] - b.place[0], a.place[1] - b.place[1]] : [0, 0];
  const written = (d: SheetDocument) =>
    item.role === "note" ? d.notes.find((n) => n.id === item.id) : undefined;
  const [note, before] = [written(shown), written(drawn)];
  if (note && before)
    return { view: [note.at[0] - before.at[0], note.at[1] - before.at[1]], place };
  if (item.role === "parts-list" && shown.parts_list && drawn.parts_list) {
    const [now, then] = [shown.parts_list.at, drawn.parts_list.at];
    return { view: [now[0] - then[0], now[1] - then[1]], place };
  }
  return { view, place };
}
