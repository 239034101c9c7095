import type { Ink, Point, SheetDocument } from "../api/types";
import { nearest } from "./geometry";

/** A view as drawn, with the mm on paper per unit of the part. */
export function viewOf(id: string, drawn: SheetDocument, ink: Ink) {
  const view = drawn.views.find((v) => v.id === id)!;
  const facts = ink.views.find((v) => v.id === id)!;
  return { view, factor: facts.factor };
}

export interface AxisLine {
  view: string;
  start: Point;
  end: Point;
  from: Point;
  to: Point;
}

/** The axes of round features seen from the side, on the sheet. */
export function axisLines(ink: Ink, drawn: SheetDocument): AxisLine[] {
  return ink.views.flatMap((facts) => {
    const { view, factor } = viewOf(facts.id, drawn, ink);
    const on = ([u, v]: Point): Point => [view.at[0] + factor * u, view.at[1] + factor * v];
    return facts.axis_lines.map(([start, end]) => ({
      view: facts.id,
      start,
      end,
      from: on(start),
      to: on(end),
    }));
  });
}

export function nearestAxis(axes: AxisLine[], at: Point, reach: number): AxisLine | null {
  const far = (axis: AxisLine) => {
    const found = nearest(
      [{ kind: "line", view: axis.view, at: axis.from, start: axis.from, end: axis.to }],
      at,
      reach,
      ["line"],
    );
    if (!found || found.kind !== "line") return Infinity;
    const [dx, dy] = [axis.to[0] - axis.from[0], axis.to[1] - axis.from[1]];
    return Math.abs((at[0] - axis.from[0]) * dy - (at[1] - axis.from[1]) * dx) / Math.hypot(dx, dy);
  };
  const best = axes.reduce<AxisLine | null>(
    (b, a) => (far(a) < (b ? far(b) : Infinity) ? a : b),
    null,
  );
  return best;
}
