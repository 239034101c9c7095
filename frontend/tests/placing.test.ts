import { describe, expect, it } from "vitest";

import type { Point, SheetDocument, View } from "../src/api/types";
import { moved } from "../src/bench/bench";
import { spanInView } from "../src/bench/geometry";
import { freePlace, overlapping, shifted } from "../src/bench/stages/placing";
import { kinOf } from "../src/bench/viewGraph";
import type { Box } from "../src/paper/Paper";

const AREA: Box = [20, 10, 410, 287];

function view(id: string, parent: string | null, at: Point): View {
  const rest = {
    kind: "principal",
    look: { side: "-y", up: "+z" },
    scale: 1,
    hidden: true,
  } as const;
  return { id, parent, at, ...rest, smooth: false, mirrored: false, lines: null };
}

const VIEWS = [
  view("front", null, [100, 100]),
  view("top", "front", [100, 40]),
  view("right", "front", [30, 100]),
  view("auxiliary", "right", [10, 160]),
];

describe("a view and its kin", () => {
  it("are all that are folded out from it, at first or second hand", () => {
    expect([...kinOf(VIEWS, "front")].sort()).toEqual(["auxiliary", "front", "right", "top"]);
    expect([...kinOf(VIEWS, "right")]).toEqual(["right", "auxiliary"]);
    expect([...kinOf(VIEWS, "top")]).toEqual(["top"]);
  });

  it("move together, or it moves alone", () => {
    const sheet = {
      views: VIEWS,
      dimensions: [],
      marks: [],
      notes: [],
      balloons: [],
    } as unknown as SheetDocument;
    const places = (withKin: boolean) =>
      moved(
        sheet,
        { role: "view", id: "right" },
        5,
        -2,
        withKin ? kinOf(VIEWS, "right") : undefined,
      ).views.map((v) => v.at);
    expect(places(true)).toEqual([
      [100, 100],
      [100, 40],
      [35, 98],
      [15, 158],
    ]);
    expect(places(false)).toEqual([
      [100, 100],
      [100, 40],
      [35, 98],
      [10, 160],
    ]);
  });
});

describe("a new view", () => {
  it("is as wide and high as the part seen so", () => {
    const seen = (look: View["look"]) =>
      spanInView({ look }, [60, 40, 20], "+z").map((size) => Math.round(size * 1e6) / 1e6);
    expect(seen({ side: "-y", up: "+z" })).toEqual([60, 20]);
    expect(seen({ side: "-y", up: "+x" })).toEqual([20, 60]);
    expect(seen({ side: "+z", up: "+y" })).toEqual([60, 40]);
  });

  it("lies on no other, as near to where it is wanted as there is room", () => {
    const taken: Box[] = [
      [60, 60, 180, 140],
      [200, 60, 280, 140],
      [60, 160, 180, 240],
    ];
    const span: Point = [70, 50];
    for (const near of [
      [120, 100],
      [240, 100],
      [300, 200],
      [30, 20],
    ] as Point[]) {
      const [x, y] = freePlace(near, span, taken, AREA);
      const own: Box = [x - 35, y - 25, x + 35, y + 25];
      expect(taken.some((box) => overlapping(own, box))).toBe(false);
    }
    expect(freePlace([300, 200], span, taken, AREA)).toEqual([300, 200]);
  });

  it("stays where it was wanted where there is no room at all", () => {
    expect(freePlace([120, 100], [70, 50], [AREA], AREA)).toEqual([120, 100]);
  });

  it("shares an edge with another without lying on it", () => {
    const box: Box = [0, 0, 10, 10];
    expect(overlapping(box, shifted(box, [10, 0]))).toBe(false);
    expect(overlapping(box, shifted(box, [9.9, -9.9]))).toBe(true);
  });
});
