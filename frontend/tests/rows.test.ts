import { describe, expect, it } from "vitest";

import type { Ink, LinearDimension, Point, SheetDocument } from "../src/api/types";
import { alikeInView } from "../src/bench/alike";
import { moved } from "../src/bench/bench";
import type { Pick } from "../src/bench/geometry";
import { pairsOfRow, rowDirection, rowMade, stackOf } from "../src/bench/rows";
import { directionOf, textLetGo } from "../src/bench/textStanding";

const point = (x: number, y: number): Pick => ({ kind: "point", view: "v1", at: [x, y] });
const sheet = {
  views: [{ id: "v1", at: [10, 20], scale: 2 }],
  dimensions: [],
  marks: [],
  notes: [],
} as unknown as SheetDocument;
const ink = {
  views: [{ id: "v1", factor: 2, box: [10, 20, 90, 60], callouts: [] }],
  groups: [],
  first_row: 12,
  next_row: 8,
  next_row_up: 15,
} as unknown as Ink;
const row = (taken: Pick[], at: Point, manner: "chain" | "datum") =>
  rowMade(taken, at, manner, ink, sheet, sheet);
const level = (place: Point, id: string, along: "across" | "up" = "across") =>
  ({
    kind: "linear",
    id,
    view: "v1",
    along,
    start: [0, 0],
    end: [40, 0],
    place,
    shift: 0,
  }) as never;

describe("a row of sizes", () => {
  const points = [point(90, 20), point(10, 20), point(50, 40), point(10, 60)];

  it("goes from each point to the next one along the view, whatever order they were shown in", () => {
    const chain = row(points, [40, 6], "chain");
    expect(chain.map((d) => [d.start[0], d.end[0]])).toEqual([
      [0, 20],
      [20, 40],
    ]);
    expect(new Set(chain.map((d) => d.place[1]))).toEqual(new Set([-12]));
    expect(new Set(chain.map((d) => d.id)).size).toBe(2);
  });

  it("counts from the first point outwards, the longer size further out", () => {
    const datum = row([point(10, 20), point(90, 20), point(50, 40)], [40, 6], "datum");
    expect(datum.map((d) => [d.start[0], d.end[0], d.place[1]])).toEqual([
      [0, 20, -12],
      [0, 40, -20],
    ]);
    const above = row([point(10, 20), point(90, 20), point(50, 40)], [40, 74], "datum");
    expect(above.map((d) => d.place[1])).toEqual([52, 60]);
  });

  it("leaves upright rows the width of their texts where these all read from below", () => {
    const upright = row([point(10, 20), point(10, 60), point(10, 40)], [-4, 40], "datum");
    expect(upright.map((d) => [d.along, d.place[0]])).toEqual([
      ["up", -12],
      ["up", -27],
    ]);
  });

  it("shares rows where sizes run to both sides of the datum", () => {
    const taken = [point(50, 20), point(10, 20), point(90, 20), point(70, 20)];
    expect(pairsOfRow(taken, "across", "datum").map(({ to, row: at }) => [to.at[0], at])).toEqual([
      [70, 0],
      [10, 0],
      [90, 1],
    ]);
  });

  it("runs across or up by where it is set down, or square to an edge that was shown", () => {
    const two = [point(10, 20), point(90, 60)];
    expect(rowDirection(two, [50, 0])).toBe("across");
    expect(rowDirection(two, [0, 40])).toBe("up");
    const edge: Pick = { kind: "line", view: "v1", at: [10, 20], start: [10, 20], end: [10, 60] };
    expect(rowDirection([edge, point(90, 60)], [0, 40])).toBe("across");
    const slanted: Pick = { ...edge, end: [30, 60] };
    expect(rowDirection([slanted, point(90, 60)], [0, 40])).toBeNull();
    expect(row([slanted, point(90, 60)], [0, 40], "chain")).toEqual([]);
    expect(row([point(10, 20)], [0, 40], "chain")).toEqual([]);
  });
});

describe("rows beside one side of a view", () => {
  const placed = {
    ...sheet,
    dimensions: [
      level([0, -12], "near"),
      level([0, -20], "far"),
      level([0, 52], "above"),
      level([-12, 0], "beside", "up"),
      level([0, 10], "upon"),
    ],
  } as unknown as SheetDocument;

  it("move together; what lies on the view, or beside another side, stays", () => {
    expect([...stackOf(placed, ink, "near")]).toEqual(["near", "far"]);
    expect([...stackOf(placed, ink, "upon")]).toEqual(["upon"]);
    expect([...stackOf(placed, ink, "beside")]).toEqual(["beside"]);
    const next = moved(
      placed,
      { role: "dimension", id: "far" },
      0,
      -4,
      stackOf(placed, ink, "far"),
    );
    expect(next.dimensions.map((d) => d.place[1])).toEqual([-16, -24, 52, 0, 10]);
  });

  it("take a text on a leader along", () => {
    const led = { ...(level([0, -12], "led") as LinearDimension), led: [30, -30] as Point };
    const next = moved({ ...sheet, dimensions: [led] }, { role: "dimension", id: "led" }, 2, -4);
    expect(next.dimensions[0]).toMatchObject({ place: [2, -16], led: [32, -34] });
  });
});

describe("the text of a size", () => {
  const size = level([0, -12], "d1") as LinearDimension;

  it("slides along its line, and finds its middle again", () => {
    expect(textLetGo(size, [20, -10], [33, -8])).toEqual({ shift: 13, led: null });
    expect(textLetGo({ ...size, shift: 13 }, [33, -10], [21, -10])).toEqual({
      shift: 0,
      led: null,
    });
  });

  it("is pulled off onto a leader, and put back", () => {
    expect(textLetGo(size, [20, -10], [40, -25])).toEqual({ shift: 0, led: [40, -25] });
    expect(textLetGo({ ...size, led: [40, -25] }, [40, -25], [30, -11])).toEqual({
      shift: 0,
      led: null,
    });
  });

  it("runs along slanted lines to the right, or upwards", () => {
    const slanted = {
      ...size,
      along: "aligned" as const,
      start: [30, 40] as Point,
      end: [0, 0] as Point,
    };
    expect(directionOf(slanted)).toEqual([0.6, 0.8]);
    expect(directionOf({ ...slanted, start: [0, 5], end: [0, 0] })[1]).toBe(1);
    expect(textLetGo({ ...slanted, place: [0, 0] }, [0, 0], [6, 8]).shift).toBeCloseTo(10);
  });
});

describe("equal holes of a view", () => {
  const arc = (x: number, y: number, radius: number, pen = "visible", sweep = 2 * Math.PI) => ({
    kind: "arc",
    centre: [10 + 2 * x, 20 + 2 * y],
    radius: 2 * radius,
    start: 0,
    sweep,
    pen,
  });
  const hole = { kind: "diameter", id: "d1", view: "v1", centre: [5, 5], radius: 3, pitch: false };
  const view = (...items: object[]) =>
    ({ ...ink, groups: [{ role: "view", id: "v1", items }] }) as unknown as Ink;

  it("are counted once each, without arcs, centre lines and other sizes", () => {
    const drawn = view(
      arc(5, 5, 3),
      arc(15, 5, 3),
      arc(15, 5, 3, "hidden"),
      arc(25, 5, 4),
      arc(35, 5, 3, "centre"),
      arc(30, 5, 3, "visible", Math.PI),
    );
    expect(alikeInView(drawn, sheet, hole as never)).toBe(2);
    expect(alikeInView(drawn, sheet, { ...hole, pitch: true } as never)).toBe(1);
    expect(alikeInView(drawn, sheet, { ...hole, kind: "radius", centre: [30, 5] } as never)).toBe(
      1,
    );
    expect(alikeInView(null, sheet, hole as never)).toBe(1);
  });

  it("are not alike where one is deeper than the other", () => {
    const drawn = view(arc(5, 5, 3), arc(15, 5, 3), arc(25, 5, 3));
    const [facts] = drawn.views;
    const callouts = [
      { centre: [5, 5], radius: 3, text: "⌀6 ↧4" },
      { centre: [15, 5], radius: 3, text: "⌀6 ↧9" },
      { centre: [25, 5], radius: 3, text: "⌀6 ↧4" },
    ];
    const told = { ...drawn, views: [{ ...facts, callouts }] } as unknown as Ink;
    expect(alikeInView(told, sheet, hole as never)).toBe(2);
  });
});
