import type { CircledRegion, CuttingLine, Point, SheetDocument, Side, View } from "../../api/types";
import { cross, dot, type V3 } from "../../turntable/triangles";

/** Special views as they follow from what is drawn in their parent; the same sums as the core's, against which it is tested. */

export type Frame = [V3, V3, V3];
type Cut = NonNullable<View["cut"]>;
export type CutForm = Cut["form"];

const LEAN = 1e-3;
const HATCH = { angle: 45, spacing: 3 };

function vector(side: Side): V3 {
  const sign = side[0] === "-" ? -1 : 1;
  return ["x", "y", "z"].map((axis) => (side[1] === axis ? sign : 0)) as V3;
}

function sum(s: number, a: V3, t: number, b: V3): V3 {
  return [s * a[0] + t * b[0], s * a[1] + t * b[1], s * a[2] + t * b[2]];
}

/** The model directions of sheet right, of sheet up, and towards the reader; null for a pictorial view. */
export function frameOf(view: View): Frame | null {
  if (!view.look || "corner" in view.look) return null;
  if ("frame" in view.look) return view.look.frame as Frame;
  const [up, towards] = [vector(view.look.up), vector(view.look.side)];
  return [cross(up, towards), up, towards];
}

/** The frame of a view folded out from its parent, seen from a direction of the parent's plane. */
export function folded([right, up, towards]: Frame, [dx, dy]: Point): Frame {
  const ahead = sum(dx, right, dy, up);
  const along = sum(-dy, right, dx, up);
  return [sum(-dx, towards, -dy, along), sum(-dy, towards, dx, along), ahead];
}

/** Which way one looks at the section of a cutting line, in the plane of its view. */
export function sightOf({ path, arrows }: Pick<CuttingLine, "path" | "arrows">): Point {
  const legs = path.slice(1).map((end, k) => [path[k]!, end] as const);
  const counted = legs.length === 2 ? legs.slice(0, 1) : legs;
  const span = ([a, b]: readonly [Point, Point]) => Math.hypot(b[0] - a[0], b[1] - a[1]);
  const [a, b] = counted.reduce((best, leg) => (span(leg) > span(best) ? leg : best));
  const length = span([a, b]) || 1;
  const left: Point = [(a[1] - b[1]) / length, (b[0] - a[0]) / length];
  return arrows === "right" ? [-left[0], -left[1]] : left;
}

/** The form of section a cutting line stands for by its shape. */
export function formOf(path: readonly Point[], sight: Point): CutForm {
  if (path.length === 2) return "full";
  if (path.length > 3) return "offset";
  const [, b, c] = path as [Point, Point, Point];
  const length = Math.hypot(c[0] - b[0], c[1] - b[1]) || 1;
  const square = Math.abs((c[0] - b[0]) * sight[1] - (c[1] - b[1]) * sight[0]) / length < LEAN;
  return square ? "half" : "aligned";
}

const BARE = { smooth: false, mirrored: false, hidden: false, lines: null } as const;

/** The section a cutting line stands for, on top of its parent; null where that one cannot be cut. */
export function sectionOf(
  line: CuttingLine,
  parent: View,
  id: string,
  form?: CutForm,
): View | null {
  const frame = frameOf(parent);
  if (!frame) return null;
  const sight = sightOf(line);
  const [right, up, towards] = frame;
  return {
    ...BARE,
    id,
    kind: "section",
    look: { frame: folded(frame, [-sight[0], -sight[1]]) },
    parent: parent.id,
    at: parent.at,
    scale: parent.scale,
    cut: {
      form: form ?? formOf(line.path, sight),
      path: line.path.map(([x, y]) => sum(x, right, y, up)),
      across: towards,
      whole: [],
      solids: [],
    },
    letter: line.letter ?? null,
    hatch: HATCH,
  };
}

/** The detail of a circled region, on top of its parent. */
export function detailOf(
  region: CircledRegion,
  parent: View,
  id: string,
  scale: number,
): View | null {
  const frame = frameOf(parent);
  if (!frame) return null;
  return {
    ...BARE,
    id,
    kind: "detail",
    look: { frame },
    parent: parent.id,
    at: parent.at,
    scale,
    cut: parent.cut ?? null,
    clip: region.region,
    letter: region.letter ?? null,
    hatch: parent.hatch ?? null,
  };
}

/** The view folded out from its parent, seen from a direction of the parent's plane, on top of it. */
export function auxiliaryOf(towards: Point, parent: View, id: string): View | null {
  const frame = frameOf(parent);
  if (!frame) return null;
  const length = Math.hypot(...towards) || 1;
  return {
    ...BARE,
    id,
    kind: "auxiliary",
    look: { frame: folded(frame, [towards[0] / length, towards[1] / length]) },
    parent: parent.id,
    at: parent.at,
    scale: parent.scale,
  };
}

const LETTERS = "ABCDEFGHJKLMNPRSTUVWXYZ";

/** The first letter that stands for nothing on the sheet yet. */
export function nextLetter(document: SheetDocument): string {
  const taken = new Set(
    [
      ...document.cutting_lines,
      ...document.circled,
      ...document.views,
      ...document.sight_arrows,
    ].map((thing) => thing.letter),
  );
  return [...LETTERS].find((letter) => !taken.has(letter)) ?? "A";
}

/** A view folded out across any line, in line with its parent where it is within reach (mm). */
export function inFold(document: SheetDocument, id: string, reach: number): SheetDocument {
  const view = document.views.find((v) => v.id === id);
  const parent = document.views.find((v) => v.id === view?.parent);
  const [own, other] = [view && frameOf(view), parent && frameOf(parent)];
  if (!view || !parent || !own || !other || view.scale !== parent.scale) return document;
  const way: Point = [dot(own[2], other[0]), dot(own[2], other[1])];
  const length = Math.hypot(...way);
  // Only what looks along the plane of its parent folds out of it.
  if (Math.abs(length - 1) > LEAN) return document;
  const along: Point = [-way[1] / length, way[0] / length];
  const off = (view.at[0] - parent.at[0]) * along[0] + (view.at[1] - parent.at[1]) * along[1];
  if (Math.abs(off) >= reach) return document;
  const at: Point = [view.at[0] - off * along[0], view.at[1] - off * along[1]];
  return { ...document, views: document.views.map((v) => (v.id === id ? { ...v, at } : v)) };
}
