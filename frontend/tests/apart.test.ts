import { describe, expect, test } from "vitest";

import type { SheetDocument, View } from "../src/api/types";
import {
  alongAxis,
  axesSeen,
  balloonAt,
  linedUp,
  nextNumber,
  pulled,
  putBack,
  scaledApart,
} from "../src/bench/apart";
import { moved, without } from "../src/bench/bench";

/** Seen from the front, the right and above: equal axes, 30° to the level (ISO 5456-3). */
const R = Math.SQRT1_2;
const S = 1 / Math.sqrt(6);
const FRAME = [
  [R, R, 0],
  [-S, S, 2 * S],
  [1 / Math.sqrt(3), -1 / Math.sqrt(3), 1 / Math.sqrt(3)],
];

function part(id: string, at: [number, number]): View {
  return {
    id,
    kind: "pictorial",
    look: { frame: FRAME },
    only: `part-${id}`,
    at,
    scale: 0.5,
  } as View;
}

function balloon(
  id: string,
  number: string,
  at: [number, number],
  tip: [number, number],
  view = "v1",
) {
  return { id, number, at, tip, view, radius: 5 };
}

function sheet(change: Partial<SheetDocument> = {}): SheetDocument {
  return {
    views: [part("v1", [100, 100]), part("v2", [100, 100]), part("v3", [160, 130])],
    balloons: [],
    trails: [],
    dimensions: [],
    marks: [],
    notes: [],
    cutting_lines: [],
    circled: [],
    sight_arrows: [],
    parts_list: null,
    ...change,
  } as unknown as SheetDocument;
}

const view = (document: SheetDocument, id: string) => document.views.find((v) => v.id === id)!;

describe("parts pulled apart", () => {
  test("axes are seen 30° to the level and upright", () => {
    const seen = axesSeen(part("v1", [0, 0])).map(([x, y]) =>
      Math.round((Math.atan2(y, x) * 180) / Math.PI),
    );
    expect(seen).toEqual([-30, 30, 90]);
  });

  test("a drag beside an axis goes along it, by as much of it as lies along", () => {
    const [x, y] = alongAxis(part("v1", [0, 0]), [40, 20]);
    expect(Math.atan2(y, x)).toBeCloseTo(Math.PI / 6, 9);
    expect(Math.hypot(x, y)).toBeCloseTo(40 * Math.cos(Math.PI / 6) + 20 * 0.5, 9);
    expect(alongAxis(part("v1", [0, 0]), [1, -30])[0]).toBeCloseTo(0, 9);
  });

  test("what points at a part goes along with it, and stays on its axis", () => {
    const before = sheet({ balloons: [balloon("b1", "1", [90, 150], [105, 110])] });
    const dragged = moved(before, { role: "view", id: "v1" }, 40, 20);
    const after = pulled(before, dragged, "v1");
    const [dx, dy] = [view(after, "v1").at[0] - 100, view(after, "v1").at[1] - 100];
    expect(dy / dx).toBeCloseTo(Math.tan(Math.PI / 6), 3);
    expect(after.balloons[0]!.tip![0] - 105).toBeCloseTo(dx, 3);
    expect(after.balloons[0]!.tip![1] - 110).toBeCloseTo(dy, 3);
    expect(after.balloons[0]!.at).toEqual([90, 150]);
    expect(view(after, "v2").at).toEqual([100, 100]);
  });

  test("a part is put back to where the others still are", () => {
    const back = putBack(sheet({ balloons: [balloon("b1", "1", [0, 0], [170, 140], "v3")] }), "v3");
    expect(view(back, "v3").at).toEqual([100, 100]);
    expect(back.balloons[0]!.tip).toEqual([110, 110]);
  });

  test("at another scale everything keeps its place among the parts", () => {
    const before = sheet({ balloons: [balloon("b1", "1", [100, 160], [110, 110])] });
    const twice = scaledApart(before, 1);
    expect(view(twice, "v3")).toMatchObject({ at: [220, 160], scale: 1 });
    expect(twice.balloons[0]).toMatchObject({ at: [100, 220], tip: [120, 120] });
    expect(scaledApart(twice, 0.5)).toEqual(before);
  });
});

describe("balloons", () => {
  test("a new one takes the lowest number that is free and belongs to the view it points at", () => {
    const taken = sheet({
      balloons: [balloon("b1", "1", [0, 0], [1, 1]), balloon("b2", "3", [0, 0], [1, 1])],
    });
    expect(nextNumber(taken)).toBe("2");
    const made = balloonAt({ kind: "point", view: "v2", at: [12, 8] }, [40, 60], taken);
    expect(made).toMatchObject({ id: "b3", number: "2", view: "v2", tip: [12, 8], at: [40, 60] });
  });

  test("in line they keep to their side, to the order of what they name, and clear of each other", () => {
    const loose = sheet({
      balloons: [
        balloon("b1", "1", [80, 190], [120, 120]),
        balloon("b2", "2", [130, 200], [90, 110]),
        balloon("b3", "3", [100, 195], [95, 130]),
        balloon("b4", "4", [70, 20], [60, 60]),
      ],
    });
    const at = new Map(linedUp(loose).balloons.map((b) => [b.id, b.at]));
    expect([...at.values()].map(([, y]) => y)).toEqual([200, 200, 200, 20]);
    const [first, second, third] = [at.get("b2")![0], at.get("b3")![0], at.get("b1")![0]];
    expect(second - first).toBeGreaterThanOrEqual(15);
    expect(third - second).toBeGreaterThanOrEqual(15);
  });

  test("with a part that is taken away its balloons go, and they alone", () => {
    const own = sheet({
      balloons: [
        balloon("b1", "1", [0, 0], [1, 1], "v1"),
        balloon("b2", "2", [0, 0], [1, 1], "v2"),
      ],
    });
    expect(without(own, { role: "view", id: "v1" }).balloons.map((b) => b.id)).toEqual(["b2"]);
    expect(without(own, { role: "balloon", id: "b2" }).balloons.map((b) => b.id)).toEqual(["b1"]);
  });
});
