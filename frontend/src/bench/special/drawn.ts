import type { Ink, Point, SheetDocument } from "../../api/types";
import type { Selection, Tool } from "../bench";
import { inView, nextId, type Pick, tidy } from "../geometry";
import { auxiliaryOf, nextLetter } from "./setDown";

/** Tools of special views: each is drawn by points over its parent. */
export const SPECIAL_TOOLS: readonly Tool[] = ["cutting line", "circled region", "folding line"];

/** How many points end what a tool draws; a cutting line ends where its drafter ends it. */
export function pointsNeeded(tool: Tool): number {
  return tool === "cutting line" ? Infinity : 2;
}

/** How far beyond a view what belongs to it may reach, mm. */
const BEYOND_MM = 15;

/** The view something is drawn over: the one whose box it shares most with. */
export function homeOf(points: readonly Point[], ink: Ink): string | null {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const own = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)] as const;
  let best: string | null = null;
  let most = -Infinity;
  for (const { id, box } of ink.views) {
    const across = Math.min(own[2], box[2]) - Math.max(own[0], box[0]);
    const up = Math.min(own[3], box[3]) - Math.max(own[1], box[1]);
    if (Math.min(across, up) < -BEYOND_MM) continue;
    const shared = across + up;
    if (shared > most) [best, most] = [id, shared];
  }
  return best;
}

/** A free point of a tool, brought level with or straight above the one before, or what it is near to on a view. */
export function straightened(
  tool: Tool,
  taken: readonly Point[],
  point: Point,
  picks: readonly Pick[],
  reach: number,
): Point {
  const last = taken.at(-1);
  if (tool === "circled region") return point;
  if (last) {
    const [dx, dy] = [Math.abs(point[0] - last[0]), Math.abs(point[1] - last[1])];
    if (dy < dx && dy < 3 * reach) return [point[0], last[1]];
    if (dx <= dy && dx < 3 * reach) return [last[0], point[1]];
    return point;
  }
  // A line that begins beside a view begins level with a centre or a corner of it.
  const spots = picks.map((pick) => (pick.kind === "circle" ? pick.centre : pick.at));
  const nearTo = (axis: 0 | 1): number => {
    const off = (spot: Point) => Math.abs(spot[axis] - point[axis]);
    const best = spots.reduce<Point | null>((b, s) => (!b || off(s) < off(b) ? s : b), null);
    return best && off(best) < reach ? best[axis] : point[axis];
  };
  return [nearTo(0), nearTo(1)];
}

interface Made {
  change: (now: SheetDocument) => SheetDocument;
  chosen: Selection;
  hanging?: string;
}

/** What a tool has drawn: a cutting line, a circled region, or the view folded out across a line. */
export function made(
  tool: Tool,
  points: readonly Point[],
  home: string,
  ink: Ink,
  document: SheetDocument,
): Made | null {
  const view = document.views.find((v) => v.id === home);
  const factor = ink.views.find((v) => v.id === home)?.factor;
  if (!view || !factor) return null;
  const path = points.map((point) => inView(point, view, factor));
  const letter = nextLetter(document);
  if (tool === "cutting line") {
    const id = nextId("c", document.cutting_lines);
    const line = { id, view: home, path, arrows: "left" as const, letter };
    return {
      change: (now) => ({ ...now, cutting_lines: [...now.cutting_lines, line] }),
      chosen: { role: "cutting-line", id },
    };
  }
  const [a, b] = path as [Point, Point];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (length === 0) return null;
  if (tool === "circled region") {
    const id = nextId("r", document.circled);
    const region = { centre: a, radius: tidy(length), corners: [] };
    return {
      change: (now) => ({ ...now, circled: [...now.circled, { id, view: home, region, letter }] }),
      chosen: { role: "circled", id },
    };
  }
  const id = nextId("a", document.views);
  const folded = auxiliaryOf([(b[1] - a[1]) / length, (a[0] - b[0]) / length], view, id);
  if (!folded) return null;
  return {
    change: (now) => ({ ...now, views: [...now.views, folded] }),
    chosen: { role: "view", id },
    hanging: id,
  };
}
