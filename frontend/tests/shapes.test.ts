import { describe, expect, it } from "vitest";

import type { Point, SheetDocument, View } from "../src/api/types";
import {
  atDistance,
  drawnInto,
  levelled,
  measure,
  type Shape,
  shapesOf,
  squared,
} from "../src/bench/drafting/shapes";
import { type Ruler, rulerAt } from "../src/bench/drafting/rulers";
import { isCarrying, isChangeTool, isDraftTool } from "../src/bench/drafting/tools";
import type { Pick } from "../src/bench/geometry";

const PAPER: [number, number] = [420, 297];
const drawn = (tool: Parameters<typeof shapesOf>[0], ...points: Point[]) =>
  shapesOf(tool, points, PAPER);

describe("what the pen draws", () => {
  it("is nothing while there are too few points", () => {
    for (const tool of ["line", "rectangle", "circle", "arc", "throw"] as const)
      expect(drawn(tool, [1, 2])).toEqual([]);
    expect(drawn("mitre")).toEqual([]);
    expect(drawn("carry", [0, 0], [5, 0], [9, 9])).toEqual([]);
  });

  it("is a closed rectangle of four lines", () => {
    const lines = drawn("rectangle", [10, 10], [40, 30]);
    expect(lines).toHaveLength(4);
    lines.forEach((l, k) => {
      const next = lines[(k + 1) % 4]!;
      expect(l.kind === "line" && next.kind === "line" && l.to).toEqual(
        next.kind === "line" && next.from,
      );
    });
  });

  it("is an arc that runs counter-clockwise from its first point to its last", () => {
    const [arc] = drawn("arc", [0, 0], [10, 0], [0, 25]);
    expect(arc).toMatchObject({ radius: 10, start: 0 });
    expect(arc!.kind === "arc" && arc!.sweep).toBeCloseTo(Math.PI / 2);
    const [long] = drawn("arc", [0, 0], [0, 10], [10, 0]);
    expect(long!.kind === "arc" && long!.sweep).toBeCloseTo(1.5 * Math.PI);
    const [whole] = drawn("arc", [0, 0], [10, 0], [20, 0]);
    expect(whole!.kind === "arc" && whole!.sweep).toBeCloseTo(2 * Math.PI);
  });

  it("is a thin line across the whole paper, level or upright", () => {
    expect(drawn("throw", [100, 50], [180, 60])).toEqual([
      { kind: "line", from: [0, 50], to: [420, 50] },
    ]);
    expect(drawn("throw", [100, 50], [101, 90])).toEqual([
      { kind: "line", from: [100, 0], to: [100, 297] },
    ]);
  });

  it("is a line at 45° that stays on the paper", () => {
    const [rising] = drawn("mitre", [100, 50], [120, 60]);
    expect(rising).toMatchObject({ from: [50, 0], to: [347, 297] });
    const [falling] = drawn("mitre", [100, 50], [120, 40]);
    expect(falling!.kind === "line" && falling!.to[0] - falling!.from[0]).toBeCloseTo(150);
  });

  it("carries a size over: as far from the third point as the first two are apart", () => {
    // 30 taken up, carried to the right of (200, 100): an upright line at 230.
    expect(drawn("carry", [50, 20], [50, 50], [200, 100], [260, 100])).toEqual([
      { kind: "line", from: [230, 0], to: [230, 297] },
    ]);
    expect(drawn("carry", [50, 20], [50, 50], [200, 100], [200, 60])).toEqual([
      { kind: "line", from: [0, 70], to: [420, 70] },
    ]);
  });
});

it("measures along the direction in which two points lie further apart", () => {
  expect(measure([0, 0], [3, 4])).toBe(4);
  expect(atDistance([0, 0], [30, 40], 10)).toEqual([6, 8]);
  expect(atDistance([5, 5], [5, 5], 10)).toEqual([5, 5]);
  expect(squared([0, 0], [30, 4])).toEqual([30, 0]);
  expect(levelled([0, 0], [100, 8])).toEqual([100, 0]);
  expect(levelled([0, 0], [100, 15])).toEqual([100, 15]);
});

describe("a drafted view", () => {
  const view = { id: "v1", at: [100, 100], scale: 2, lines: [] } as unknown as View;
  const sheet = { views: [view, { ...view, id: "v2" }], marks: [] } as unknown as SheetDocument;

  it("gets lines in its own plane, the others none", () => {
    const after = drawnInto(sheet, view, 2, drawn("line", [100, 100], [140, 120]), "hidden");
    expect(after.views[0]!.lines).toMatchObject([
      {
        kind: "line",
        pen: "hidden",
        points: [
          [0, 0],
          [20, 10],
        ],
      },
    ]);
    expect(after.views[1]!.lines).toEqual([]);
  });

  it("gets centre marks and centre lines from the centre pen", () => {
    const shapes = [
      ...drawn("circle", [120, 100], [124, 100]),
      ...drawn("line", [100, 100], [100, 140]),
    ];
    const after = drawnInto(sheet, view, 2, shapes, "centre");
    expect(after.marks).toMatchObject([
      { id: "m1", kind: "mark", centre: [10, 0], radius: 2 },
      { id: "m2", kind: "line", start: [0, 0], end: [0, 20] },
    ]);
    expect(after.views[0]!.lines).toEqual([]);
  });

  it("is left alone by what has no length", () => {
    expect(drawnInto(sheet, view, 2, drawn("line", [9, 9], [9.01, 9]), "visible")).toBe(sheet);
  });
});

it("tells tools that change what is drawn from those that draw or carry over", () => {
  expect(
    ["erase", "hatch", "line", "square", "set off"].map(
      (tool) => isDraftTool(tool) && [isChangeTool(tool), isCarrying(tool)],
    ),
  ).toEqual([
    [true, false],
    [true, false],
    [false, false],
    [false, true],
    [false, true],
  ]);
});

describe("thin lines that take their direction from a line", () => {
  const slope: Point = [0.8, 0.6];
  const ruler: Ruler = { at: [200, 100], way: slope };
  const ends = (shape: Shape | undefined) => {
    expect(shape?.kind).toBe("line");
    const { from, to } = shape as Extract<Shape, { kind: "line" }>;
    return { from, to };
  };
  const off = ([x, y]: Point, through: Point, [dx, dy]: Point) =>
    (x - through[0]) * -dy + (y - through[1]) * dx;
  const thrown = (tool: "square" | "set off", points: Point[], along: Ruler | null) =>
    shapesOf(tool, points, PAPER, along)[0];

  it("run square to it through a point, across the whole sheet", () => {
    const { from, to } = ends(thrown("square", [ruler.at, [210, 120]], ruler));
    const across: Point = [-slope[1], slope[0]];
    expect(off(from, [210, 120], across)).toBeCloseTo(0, 9);
    expect(off(to, [210, 120], across)).toBeCloseTo(0, 9);
    expect(Math.hypot(to[0] - from[0], to[1] - from[1])).toBeGreaterThan(200);
  });

  it("are set off by the distance taken, from the line itself, however near it was pointed at", () => {
    for (const beside of [0, 2.5]) {
      const taken: Point[] = [
        [10, 10],
        [10, 45],
        [200 - 0.6 * beside, 100 + 0.8 * beside],
      ];
      for (const [side, far] of [
        [[190, 120], 35],
        [[210, 80], -35],
      ] as [Point, number][]) {
        const { from, to } = ends(thrown("set off", [...taken, side], ruler));
        expect(off(from, ruler.at, slope)).toBeCloseTo(far, 9);
        expect(off(to, ruler.at, slope)).toBeCloseTo(far, 9);
      }
    }
  });

  it("are none where there is no line to take it from, or too little is said", () => {
    expect(
      thrown(
        "square",
        [
          [1, 1],
          [2, 2],
        ],
        null,
      ),
    ).toBeUndefined();
    expect(
      thrown(
        "set off",
        [
          [1, 1],
          [2, 2],
          [3, 3],
        ],
        ruler,
      ),
    ).toBeUndefined();
  });

  it("begin on the line where the pointer is beside it, and on the nearer of two", () => {
    const line = (start: Point, end: Point): Pick => ({
      kind: "line",
      view: "v1",
      at: start,
      start,
      end,
    });
    const lines = [line([0, 0], [80, 60]), line([0, 5], [80, 65])];
    const found = rulerAt(lines, [40 + 0.6, 30 - 0.8]);
    expect(found?.at[0]).toBeCloseTo(40, 9);
    expect(found?.at[1]).toBeCloseTo(30, 9);
    expect(found?.way).toEqual([0.8, 0.6]);
    expect(rulerAt(lines, [40, 20])).toBeNull();
    expect(rulerAt([line([7, 7], [7, 7])], [7, 7])).toBeNull();
  });
});
