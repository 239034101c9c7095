import { describe, expect, it } from "vitest";

import type { Ink, SheetDocument, View } from "../src/api/types";
import {
  askedDirection,
  centredAt,
  centreOf,
  directionByPlace,
  inView,
  middleInView,
  nearest,
  nextAlong,
  nextId,
  nextPoint,
  type Pick,
  pickables,
  thinLines,
  tidy,
} from "../src/bench/geometry";
import { examples } from "./examples";

describe("where a point is seen", () => {
  it.each(examples.looks)(
    "in $look with $up up is where the core sees it",
    ({ look, up, seen }) => {
      const [u, v] = middleInView({ look }, examples.point, up);
      expect(u).toBeCloseTo(seen[0], 6);
      expect(v).toBeCloseTo(seen[1], 6);
    },
  );

  it.each(["mm", "inch"] as const)("stays when a view is set down by its middle, in %s", (unit) => {
    for (const { look, up } of examples.looks) {
      const view = { look, at: [0, 0], scale: 0.5 } as unknown as View;
      const placed = centredAt(view, examples.point, up, unit, [120, 80]);
      const [x, y] = centreOf(placed, examples.point, up, unit);
      expect(x).toBeCloseTo(120, 2);
      expect(y).toBeCloseTo(80, 2);
    }
  });
});

it("turns points of the sheet into points of a view and numbers what is new", () => {
  const view = { at: [10, 20] } as unknown as View;
  expect(inView([14, 28], view, 2)).toEqual([2, 4]);
  expect(nextId("d", [])).toBe("d1");
  expect(nextId("d", [{ id: "d1" }, { id: "d3" }])).toBe("d4");
  expect(nextId("d", [{ id: "d2" }])).toBe("d3");
  expect(tidy(1.23456)).toBe(1.235);
});

const point = (x: number, y: number, view = "v1"): Pick => ({ kind: "point", view, at: [x, y] });
const line = (a: [number, number], b: [number, number]): Pick => ({
  kind: "line",
  view: "v1",
  at: a,
  start: a,
  end: b,
});
const circle: Pick = {
  kind: "circle",
  view: "v1",
  at: [60, 50],
  centre: [50, 50],
  radius: 10,
  full: true,
  pitch: false,
};

describe("the pointer takes hold of", () => {
  const picks = [point(0, 0), line([0, 0], [100, 0]), circle, point(90, 50, "v2")];

  it("a point before a line through it", () => {
    expect(nearest(picks, [2, 1], 5, ["point", "line", "circle"])?.kind).toBe("point");
  });

  it("a line by its nearer end, with the end of the line kept", () => {
    const found = nearest(picks, [70, 1], 5, ["line"]);
    expect(found).toMatchObject({ kind: "line", at: [100, 0], start: [0, 0] });
  });

  it("a circle anywhere on its rim, never by its middle", () => {
    expect(nearest(picks, [50, 61], 3, ["circle"])).toMatchObject({ radius: 10 });
    expect(nearest(picks, [50, 50], 3, ["circle"])).toBeNull();
  });

  it("only what is in reach, of the kinds and the view asked for", () => {
    expect(nearest(picks, [0, 9], 5, ["point", "line"])).toBeNull();
    expect(nearest(picks, [0, 0], 5, ["circle"])).toBeNull();
    expect(nearest(picks, [90, 50], 5, ["point"], "v1")).toBeNull();
    expect(nearest(picks, [90, 50], 5, ["point"], "v2")).toMatchObject({ view: "v2" });
  });
});

describe("the arrow keys", () => {
  const points = [point(0, 0), point(20, 1), point(22, 60), point(0, 30)];

  it("go to the nearest point ahead", () => {
    expect(nextPoint(points, [0, 0], "ArrowRight")?.at).toEqual([20, 1]);
    expect(nextPoint(points, [0, 0], "ArrowUp")?.at).toEqual([0, 30]);
    expect(nextPoint(points, [0, 0], "ArrowDown")).toBeNull();
    expect(nextPoint(points, [0, 0], "Home")).toBeNull();
  });

  it("never stay where they are", () => {
    expect(nextAlong([{ at: [0, 0] as [number, number] }], [0, 0], [1, 0])).toBeNull();
  });
});

describe("the direction of a size", () => {
  it("is square to a picked line", () => {
    expect(askedDirection(line([0, 0], [0, 9]), point(4, 4))).toBe("across");
    expect(askedDirection(point(4, 4), line([0, 0], [9, 0]))).toBe("up");
    expect(askedDirection(line([0, 0], [9, 9]), point(4, 4))).toBe("aligned");
    expect(askedDirection(point(0, 0), point(4, 4))).toBeNull();
  });

  it("follows from where it is placed", () => {
    expect(directionByPlace([0, 0], [40, 20], [20, 50])).toBe("across");
    expect(directionByPlace([0, 0], [40, 20], [90, 10])).toBe("up");
    expect(directionByPlace([0, 0], [0, 20], [20, 50])).toBe("up");
    expect(directionByPlace([0, 5], [40, 5], [90, 5])).toBe("across");
  });
});

it("takes sizes from edges, not from hatching, and directions from thin lines as well", () => {
  const stroke = (pen: string, ...points: [number, number][]) => ({ kind: "stroke", pen, points });
  const ink = {
    views: [],
    groups: [
      {
        role: "view",
        id: "s1",
        items: [stroke("visible", [0, 0], [9, 0]), stroke("hatching", [1, 1], [2, 2])],
      },
      { role: "construction", id: "s1", items: [stroke("construction", [0, 5], [9, 5])] },
    ],
  } as unknown as Ink;
  const sheet = { views: [{ id: "s1", kind: "section" }] } as unknown as SheetDocument;
  const found = pickables(ink, sheet);
  expect(found.filter(({ kind }) => kind === "line")).toMatchObject([
    { start: [0, 0], end: [9, 0] },
  ]);
  expect(found).toHaveLength(3);
  expect(thinLines(ink)).toMatchObject([{ kind: "line", start: [0, 5], end: [9, 5] }]);
});
