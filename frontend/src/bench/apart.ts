import type { Balloon, Point, SheetDocument, View } from "../api/types";
import { nextId, type Pick as Picked, tidy } from "./geometry";

/** The radius of a new balloon, mm. */
export const RADIUS = 5;
/** Balloons in line stand so far from each other at least, as many times as their radius. */
const APART = 3;

/** The directions of the sheet in which the axes of an assembly are seen; those that are seen as points are left out. */
export function axesSeen({ look }: Pick<View, "look">): Point[] {
  if (!look || !("frame" in look)) return [];
  const [right, up] = look.frame;
  return [0, 1, 2].flatMap((axis): Point[] => {
    const [x, y] = [right[axis]!, up[axis]!];
    const length = Math.hypot(x, y);
    return length > 1e-3 ? [[x / length, y / length]] : [];
  });
}

/** The part of a way that lies along the axis nearest to it. */
export function alongAxis(view: Pick<View, "look">, [dx, dy]: Point): Point {
  let best: Point = [0, 0];
  let most = 0;
  for (const [x, y] of axesSeen(view)) {
    const along = dx * x + dy * y;
    if (Math.abs(along) > most) {
      most = Math.abs(along);
      best = [along * x, along * y];
    }
  }
  return best;
}

/** A sheet on which one part was moved since it was `before`: along an axis alone, its balloons with it. */
export function pulled(before: SheetDocument, after: SheetDocument, id: string): SheetDocument {
  const from = before.views.find((v) => v.id === id);
  const to = after.views.find((v) => v.id === id);
  if (!from?.only || !to) return after;
  const [x, y] = alongAxis(to, [to.at[0] - from.at[0], to.at[1] - from.at[1]]);
  const at: Point = [tidy(from.at[0] + x), tidy(from.at[1] + y)];
  return {
    ...after,
    views: after.views.map((v) => (v.id === id ? { ...v, at } : v)),
    balloons: after.balloons.map((own) => {
      const then = before.balloons.find((b) => b.id === own.id);
      if (own.view !== id || !then?.tip) return own;
      return { ...own, tip: [tidy(then.tip[0] + x), tidy(then.tip[1] + y)] };
    }),
  };
}

/** All parts at another scale, about where the first one lies put together; what points at them goes along. */
export function scaledApart(document: SheetDocument, scale: number): SheetDocument {
  const first = document.views.find((v) => v.only);
  if (!first) return document;
  const share = scale / first.scale;
  const about = ([x, y]: Point): Point => [
    tidy(first.at[0] + share * (x - first.at[0])),
    tidy(first.at[1] + share * (y - first.at[1])),
  ];
  return {
    ...document,
    views: document.views.map((v) => (v.only ? { ...v, at: about(v.at), scale } : v)),
    balloons: document.balloons.map((b) => ({
      ...b,
      at: about(b.at),
      tip: b.tip ? about(b.tip) : null,
    })),
    trails: [],
  };
}

/** One part where it stands in the assembly: where the parts lie that have not been pulled. */
export function putBack(document: SheetDocument, id: string): SheetDocument {
  const own = document.views.find((v) => v.id === id);
  const home = homeOf(document);
  if (!own || !home) return document;
  const [dx, dy] = [home[0] - own.at[0], home[1] - own.at[1]];
  return {
    ...document,
    views: document.views.map((v) => (v.id === id ? { ...v, at: home } : v)),
    balloons: document.balloons.map((b) =>
      b.view === id && b.tip ? { ...b, tip: [tidy(b.tip[0] + dx), tidy(b.tip[1] + dy)] } : b,
    ),
  };
}

/** Where most parts lie put together; the first one's place where they are all apart. */
function homeOf(document: SheetDocument): Point | null {
  const parts = document.views.filter((v) => v.only);
  const counts = new Map<string, { at: Point; count: number }>();
  for (const { at } of parts) {
    const known = counts.get(at.join(" "));
    if (known) known.count += 1;
    else counts.set(at.join(" "), { at, count: 1 });
  }
  const most = [...counts.values()].sort((a, b) => b.count - a.count)[0];
  return most?.at ?? null;
}

/** A balloon at a place, with its leader to what was pointed at. */
export function balloonAt(pick: Picked, at: Point, document: SheetDocument): Balloon {
  const id = nextId("b", document.balloons);
  return { id, view: pick.view, number: nextNumber(document), at, tip: pick.at, radius: RADIUS };
}

/** The number of a new balloon: the lowest that no other has. */
export function nextNumber(document: SheetDocument): string {
  const taken = new Set(document.balloons.map((b) => b.number.trim()));
  let number = 1;
  while (taken.has(String(number))) number += 1;
  return String(number);
}

/** Balloons in two lines, level with the highest and the lowest, in the order in which they point at parts. */
export function linedUp(document: SheetDocument): SheetDocument {
  const { balloons } = document;
  if (balloons.length < 2) return document;
  const heights = balloons.map((b) => b.at[1]);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const middle = (low + high) / 2;
  const places = new Map<string, Point>();
  for (const above of [true, false]) {
    const own = balloons
      .filter((b) => b.at[1] >= middle === above)
      .sort((a, b) => (a.tip ?? a.at)[0] - (b.tip ?? b.at)[0]);
    let last = -Infinity;
    for (const balloon of own) {
      const x = Math.max((balloon.tip ?? balloon.at)[0], last + APART * balloon.radius);
      places.set(balloon.id, [tidy(x), above ? high : low]);
      last = x;
    }
  }
  return {
    ...document,
    balloons: balloons.map((b) => ({ ...b, at: places.get(b.id) ?? b.at })),
  };
}
