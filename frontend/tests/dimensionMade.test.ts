import { describe, expect, it } from "vitest";

import type { Ink, Point, SheetDocument } from "../src/api/types";
import { dimensionMade, fits, kindsFor, legsAround, picksNeeded } from "../src/bench/dimensionMade";
import type { Pick } from "../src/bench/geometry";
import { examples } from "./examples";

type LinePick = Extract<Pick, { kind: "line" }>;
const line = (a: Point, b: Point): LinePick => ({
  kind: "line",
  view: "v1",
  at: a,
  start: a,
  end: b,
});
const point = (x: number, y: number): Pick => ({ kind: "point", view: "v1", at: [x, y] });

const document = {
  views: [{ id: "v1", at: [10, 20], scale: 2 }],
  dimensions: [],
} as unknown as SheetDocument;
const ink = {
  views: [{ id: "v1", factor: 2, box: [10, 20, 90, 60] }],
  first_row: 12,
  next_row: 8,
  next_row_up: 15,
} as unknown as Ink;
const made = (
  tool: Parameters<typeof dimensionMade>[0],
  taken: Pick[],
  at: Point,
  sheet = document,
) => dimensionMade(tool, taken, at, ink, document, sheet);

describe("a size between two points", () => {
  it("is taken in the plane of the view and stands in an even row", () => {
    const size = made("size", [point(10, 20), point(90, 20)], [50, 6]);
    expect(size).toMatchObject({
      kind: "linear",
      id: "d1",
      along: "across",
      start: [0, 0],
      end: [40, 0],
    });
    // First row: 12 mm below the outline at 20.
    expect(size!.place).toEqual([40, -12]);
  });

  it("takes the row of a size that is there already when that is nearer", () => {
    const there = {
      ...made("size", [point(10, 20), point(90, 20)], [50, 6])!,
      place: [0, -15] as Point,
    };
    const sheet = { ...document, dimensions: [there] };
    expect(made("size", [point(10, 20), point(50, 20)], [30, 5.2], sheet)!.place[1]).toBe(-15);
    expect(made("size", [point(10, 20), point(50, 20)], [30, -1], sheet)!.place[1]).toBe(-20);
  });

  it("stands where it is put over the view itself, and along slants", () => {
    expect(made("size", [point(10, 20), point(90, 40)], [50, 30])!.place).toEqual([40, 10]);
    const slanted = made("size", [line([10, 20], [90, 60]), point(90, 60)], [30, 77]);
    expect(slanted).toMatchObject({ along: "aligned", place: [20, 57] });
  });

  it("needs two", () => {
    expect(made("size", [point(10, 20)], [50, 6])).toBeNull();
    expect(made("size", [], [50, 6])).toBeNull();
  });
});

describe("a circle", () => {
  const circle: Pick = {
    kind: "circle",
    view: "v1",
    at: [0, 0],
    centre: [30, 40],
    radius: 8,
    full: true,
    pitch: true,
  };
  it.each([
    ["diameter", "diameter"],
    ["radius", "radius"],
  ] as const)("gives a %s in the part's unit", (tool, kind) => {
    expect(made(tool, [circle], [70, 70])).toMatchObject({
      kind,
      centre: [10, 10],
      radius: 4,
      pitch: true,
    });
  });
});

describe("an angle", () => {
  it.each(examples.angles)("between $start and $end is the one the core measures", (told) => {
    const [vertex, a, b] = legsAround(line(told.vertex, told.start), line(told.vertex, told.end), [
      (told.start[0] + told.end[0]) / 2,
      (told.start[1] + told.end[1]) / 2,
    ])!;
    const bearing = (p: Point) => Math.atan2(p[1] - vertex[1], p[0] - vertex[0]);
    const between = Math.abs(((bearing(b) - bearing(a)) * 180) / Math.PI);
    expect(Math.min(between, 360 - between)).toBeCloseTo(told.degrees, 6);
  });

  it("is the one of four in which it is placed", () => {
    const [across, up] = [line([-10, 0], [10, 0]), line([0, -10], [0, 10])];
    const ends = ([x, y]: Point) => legsAround(across, up, [x, y])!.slice(1);
    expect(ends([3, 3])).toEqual([
      [10, 0],
      [0, 10],
    ]);
    expect(ends([-3, 3])).toEqual([
      [-10, 0],
      [0, 10],
    ]);
    expect(ends([-3, -3])).toEqual([
      [-10, 0],
      [0, -10],
    ]);
  });

  it("is none between parallel lines, drawn apart or not", () => {
    expect(legsAround(line([0, 0], [9, 0]), line([0, 5], [9, 5]), [3, 3])).toBeNull();
    expect(made("angle", [line([0, 0], [9, 0]), line([0, 5], [9, 5])], [3, 3])).toBeNull();
    expect(fits("angle", [line([0, 0], [9, 0])], line([0, 5], [9, 5]))).toBe(false);
    expect(fits("angle", [line([0, 0], [9, 0])], line([0, 5], [9, 6]))).toBe(true);
  });
});

it("asks of each tool what it needs", () => {
  expect([
    picksNeeded("size"),
    picksNeeded("angle"),
    picksNeeded("radius"),
    picksNeeded("move"),
  ]).toEqual([2, 2, 1, 0]);
  expect(kindsFor("size")).toEqual(["point", "line"]);
  expect(kindsFor("chamfer")).toEqual(["line"]);
  expect(kindsFor("diameter")).toEqual(["circle"]);
  expect(fits("chamfer", [], line([0, 0], [9, 0]))).toBe(false);
  expect(fits("chamfer", [], line([0, 0], [9, 9]))).toBe(true);
  expect(made("chamfer", [line([10, 20], [14, 24])], [0, 0])).toMatchObject({
    kind: "chamfer",
    end: [2, 2],
  });
});
