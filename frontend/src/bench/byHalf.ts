import type { Ink, LinearDimension, Point, SheetDocument } from "../api/types";
import { axisLines } from "./axes";

const NEAR = 1e-3;

type Reach = Pick<LinearDimension, "start" | "end" | "by_half">;

/** A size given from the outline to the axis; where it goes right across, the axis is taken to be in its middle. */
export function byHalf(dimension: LinearDimension, ink: Ink, drawn: SheetDocument): Reach {
  const axes = axisLines(ink, drawn).filter(({ view }) => view === dimension.view);
  const onAxis = ([x, y]: Point) =>
    axes.some(({ start, end }) => {
      const [dx, dy] = [end[0] - start[0], end[1] - start[1]];
      return Math.abs((x - start[0]) * dy - (y - start[1]) * dx) < NEAR * Math.hypot(dx, dy);
    });
  const { start, end } = dimension;
  if (onAxis(end)) return { start, end, by_half: true };
  if (onAxis(start)) return { start: end, end: start, by_half: true };
  return { start, end: [(start[0] + end[0]) / 2, (start[1] + end[1]) / 2], by_half: true };
}

/** The size right across again: as far beyond the axis as the outline lies before it. */
export function rightAcross({ start, end, along }: LinearDimension): Reach {
  const [dx, dy] = [end[0] - start[0], end[1] - start[1]];
  const far: Point = [
    start[0] + (along === "up" ? dx : 2 * dx),
    start[1] + (along === "across" ? dy : 2 * dy),
  ];
  return { start, end: far, by_half: false };
}
