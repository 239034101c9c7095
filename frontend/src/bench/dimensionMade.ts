import type { Dimension, Ink, Point, SheetDocument } from "../api/types";
import { viewOf } from "./axes";
import type { Tool } from "./bench";
import { askedDirection, directionByPlace, inView, nextId, type Pick, tidy } from "./geometry";
import { inRow } from "./rows";

type LinePick = Extract<Pick, { kind: "line" }>;

/** How many things a dimension tool has to be pointed at before its dimension is placed; 0 for other tools. */
export function picksNeeded(tool: Tool): number {
  if (tool === "size" || tool === "angle") return 2;
  return ["diameter", "radius", "chamfer", "balloon"].includes(tool) ? 1 : 0;
}

/** What a tool can be pointed at. */
export function kindsFor(tool: Tool): Pick["kind"][] {
  if (tool === "size" || tool === "row" || tool === "balloon") return ["point", "line"];
  return tool === "angle" || tool === "chamfer" ? ["line"] : ["circle"];
}

const SLANT = 1e-3;

/** Whether a tool can do something with a thing: lines of an angle meet, the edge of a chamfer is slanted. */
export function fits(tool: Tool, taken: readonly Pick[], pick: Pick): boolean {
  if (pick.kind !== "line") return true;
  const [first] = taken;
  if (tool === "angle" && first?.kind === "line") return meeting(first, pick) !== null;
  const [dx, dy] = [Math.abs(pick.end[0] - pick.start[0]), Math.abs(pick.end[1] - pick.start[1])];
  return tool !== "chamfer" || Math.min(dx, dy) > SLANT;
}

/** The dimension between what was pointed at, placed at a point of the sheet. */
export function dimensionMade(
  tool: Tool,
  taken: readonly Pick[],
  at: Point,
  ink: Ink,
  drawn: SheetDocument,
  document: SheetDocument,
): Dimension | null {
  const [first, second] = taken;
  if (!first) return null;
  const { view, factor } = viewOf(first.view, drawn, ink);
  const common = {
    id: nextId("d", document.dimensions),
    view: first.view,
    place: [tidy(at[0] - view.at[0]), tidy(at[1] - view.at[1])] as Point,
    text: null,
    reference: false,
  };
  const own = (point: Point) => inView(point, view, factor);
  if (first.kind === "circle")
    return {
      ...common,
      kind: tool === "radius" ? "radius" : "diameter",
      centre: own(first.centre),
      radius: first.radius / factor,
      count: 1,
      pitch: first.pitch,
    };
  if (tool === "chamfer" && first.kind === "line")
    return { ...common, kind: "chamfer", start: own(first.start), end: own(first.end), count: 1 };
  if (tool === "angle" && first.kind === "line" && second?.kind === "line") {
    const legs = legsAround(first, second, at);
    if (!legs) return null;
    const [vertex, start, end] = legs;
    return { ...common, kind: "angle", vertex: own(vertex), start: own(start), end: own(end) };
  }
  if (!second) return null;
  const along = askedDirection(first, second) ?? directionByPlace(first.at, second.at, at);
  const place = along === "aligned" ? at : inRow(at, along, first.view, view, ink, document);
  return {
    ...common,
    place: [tidy(place[0] - view.at[0]), tidy(place[1] - view.at[1])],
    kind: "linear",
    start: own(first.at),
    end: own(second.at),
    along,
    by_half: false,
    shift: 0,
    arrows: "fitting",
  };
}

/** Where two lines meet, drawn or produced; null for parallel ones. */
function meeting(a: LinePick, b: LinePick): Point | null {
  const [ux, uy] = [a.end[0] - a.start[0], a.end[1] - a.start[1]];
  const [vx, vy] = [b.end[0] - b.start[0], b.end[1] - b.start[1]];
  const area = ux * vy - uy * vx;
  if (Math.abs(area) < 1e-6 * Math.hypot(ux, uy) * Math.hypot(vx, vy)) return null;
  const share = ((b.start[0] - a.start[0]) * vy - (b.start[1] - a.start[1]) * vx) / area;
  return [a.start[0] + share * ux, a.start[1] + share * uy];
}

/** The vertex and a point of either line, of the four sectors the one in which the dimension is placed. */
export function legsAround(a: LinePick, b: LinePick, at: Point): [Point, Point, Point] | null {
  const vertex = meeting(a, b);
  if (!vertex) return null;
  const [ux, uy] = [a.end[0] - a.start[0], a.end[1] - a.start[1]];
  const [vx, vy] = [b.end[0] - b.start[0], b.end[1] - b.start[1]];
  const [px, py] = [at[0] - vertex[0], at[1] - vertex[1]];
  const area = ux * vy - uy * vx;
  const [s, t] = [(px * vy - py * vx) / area, (ux * py - uy * px) / area];
  const leg = (line: LinePick, sign: number, dx: number, dy: number): Point => {
    const side = (p: Point) => sign * ((p[0] - vertex[0]) * dx + (p[1] - vertex[1]) * dy);
    const far = side(line.start) > side(line.end) ? line.start : line.end;
    return side(far) > 1e-6 ? far : [vertex[0] + sign * dx, vertex[1] + sign * dy];
  };
  return [vertex, leg(a, s < 0 ? -1 : 1, ux, uy), leg(b, t < 0 ? -1 : 1, vx, vy)];
}
