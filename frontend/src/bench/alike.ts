import type { Dimension, Ink, Point, SheetDocument } from "../api/types";
import { viewOf } from "./axes";

const NEAR = 1e-3;

/** Depth and mouth beside the diameter, where a diameter stands at a hole that has them. */
export function calloutAt(ink: Ink | null, dimension: Dimension): string | null {
  if (dimension.kind !== "diameter") return null;
  return calloutOf(ink, dimension.view, dimension.centre, dimension.radius);
}

function calloutOf(ink: Ink | null, view: string, [x, y]: Point, radius: number): string | null {
  const facts = ink?.views.find(({ id }) => id === view);
  const found = facts?.callouts.find(
    ({ centre, radius: own }) =>
      Math.hypot(centre[0] - x, centre[1] - y) < NEAR && Math.abs(own - radius) < NEAR,
  );
  return found?.text ?? null;
}

/** How many circles, or arcs, of its view are as large as that of a dimension, with the same depth and mouth. */
export function alikeInView(ink: Ink | null, drawn: SheetDocument, dimension: Dimension): number {
  if ((dimension.kind !== "diameter" && dimension.kind !== "radius") || dimension.pitch) return 1;
  const group = ink?.groups.find((g) => g.role === "view" && g.id === dimension.view);
  if (!ink || !group || !drawn.views.some((v) => v.id === dimension.view)) return 1;
  const { view, factor } = viewOf(dimension.view, drawn, ink);
  const own = calloutAt(ink, dimension);
  const centres: Point[] = [];
  for (const item of group.items) {
    if (item.kind !== "arc" || item.pen === "centre") continue;
    const [centre, radius]: [Point, number] = [
      [(item.centre[0] - view.at[0]) / factor, (item.centre[1] - view.at[1]) / factor],
      item.radius / factor,
    ];
    const full = item.sweep > 2 * Math.PI - 1e-6;
    if (Math.abs(radius - dimension.radius) > NEAR || full !== (dimension.kind === "diameter"))
      continue;
    if (own !== null && calloutOf(ink, dimension.view, centre, radius) !== own) continue;
    if (centres.every(([x, y]) => Math.hypot(centre[0] - x, centre[1] - y) > NEAR))
      centres.push(centre);
  }
  return Math.max(1, centres.length);
}
