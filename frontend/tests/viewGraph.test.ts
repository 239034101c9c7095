import { describe, expect, it } from "vitest";

import type { Exercise, SheetDocument, View } from "../src/api/types";
import { without } from "../src/bench/bench";
import { held, inLine, snapped } from "../src/bench/snapping";
import { attitudeOf, frontOf, withFront, withoutView } from "../src/bench/viewGraph";
import { examples } from "./examples";

const parents = (views: View[]) => Object.fromEntries(views.map((v) => [v.id, v.parent ?? null]));

describe.each(examples.graphs)("views that hang together as %j", (told) => {
  it("have the front the core names", () => {
    expect(frontOf(told)?.id ?? null).toBe(told.front);
  });

  it("take another front as in the core", () => {
    for (const [id, expected] of Object.entries(told.with_front))
      expect(parents(withFront(told.views, id))).toEqual(expected);
  });

  it("let go of a view that is taken away", () => {
    for (const [id, expected] of Object.entries(told.without))
      expect(parents(withoutView(told.views, id))).toEqual(expected);
  });
});

const BARE = { scale: 1, hidden: true, smooth: false, mirrored: false, lines: null };
const front: View = {
  ...BARE,
  id: "v1",
  kind: "principal",
  look: { side: "-y", up: "+z" },
  parent: null,
  at: [50, 50],
};
const top: View = {
  ...front,
  id: "v2",
  look: { side: "+z", up: "+y" },
  parent: "v1",
  at: [51, 150],
};
const corner: View = {
  ...front,
  id: "p1",
  kind: "pictorial",
  look: { corner: "+++", turn: 0 },
  at: [51, 51],
};
const sheet = {
  views: [front, top, corner],
  dimensions: [
    { id: "d1", view: "v1" },
    { id: "d2", view: "v2" },
  ],
  marks: [{ id: "m1", view: "v1" }],
  sight_arrows: [],
  balloons: [],
  cutting_lines: [
    { id: "c1", view: "v1" },
    { id: "c2", view: "v2" },
  ],
  circled: [{ id: "r1", view: "v1" }],
  notes: [],
} as unknown as SheetDocument;

describe("a sheet", () => {
  it("loses with a view what stands on it, and nothing else", () => {
    const left = without(sheet, { role: "view", id: "v1" });
    expect(left.views.map((v) => v.id)).toEqual(["v2", "p1"]);
    expect(left.views[0]!.parent).toBeNull();
    expect(left.dimensions.map((d) => d.id)).toEqual(["d2"]);
    expect(left.marks).toEqual([]);
    expect(left.cutting_lines.map((c) => c.id)).toEqual(["c2"]);
    expect(left.circled).toEqual([]);
    expect(sheet.views).toHaveLength(3);
  });

  it("loses a cutting line or a circled region alone", () => {
    const line = without(sheet, { role: "cutting-line", id: "c1" });
    expect(line.cutting_lines.map((c) => c.id)).toEqual(["c2"]);
    expect(line.views).toBe(sheet.views);
    const region = without(sheet, { role: "circled", id: "r1" });
    expect(region.circled).toEqual([]);
    expect(region.cutting_lines).toBe(sheet.cutting_lines);
  });

  it("snaps a view to the front view's lines, one direction at a time", () => {
    expect(snapped(sheet, "v2", 2.5).views[1]!.at).toEqual([50, 150]);
    expect(snapped(sheet, "v1", 2.5)).toBe(sheet);
    expect(snapped(sheet, "p1", 2.5).views[2]!.at).toEqual([51, 51]);
    const small = { ...sheet, views: [front, { ...top, scale: 0.5 }] };
    expect(snapped(small, "v2", 2.5).views[1]!.at).toEqual([51, 150]);
    const far = { ...sheet, views: [front, { ...top, at: [54, 150] as [number, number] }] };
    expect(snapped(far, "v2", 2.5).views[1]!.at).toEqual([54, 150]);
  });

  it("holds a view in line across its folding line, however far it is moved", () => {
    const beside = {
      ...top,
      id: "v3",
      look: { side: "+x", up: "+z" },
      at: [170, 90],
    } as unknown as View;
    const behind = { ...beside, id: "v4", look: { side: "+y", up: "+z" } } as unknown as View;
    const whole = { ...sheet, views: [front, top, beside, behind] };
    expect(held(whole, "v2").views[1]!.at).toEqual([50, 150]);
    expect(held(whole, "v3").views[2]!.at).toEqual([170, 50]);
    expect(held(whole, "v4").views[3]!.at).toEqual([170, 50]);
    expect(held(whole, "v1")).toBe(whole);
    const small = { ...sheet, views: [front, { ...top, scale: 0.5 }] };
    expect(held(small, "v2").views[1]!.at).toEqual([51, 150]);
  });

  it("lines views up as the exercise has it: by eye, when wanted, or always", () => {
    const at = (asked: string, snapping: boolean, answering = false) => {
      const exercise = { task: { snapping: asked } } as unknown as Exercise;
      const moved = { ...sheet, views: [front, { ...top, at: [60, 150] as [number, number] }] };
      return inLine({ exercise, answering, snapping }, moved, "v2", 7).views[1]!.at[0];
    };
    expect(at("help", false)).toBe(60);
    expect(at("help", true)).toBe(60);
    expect(at("fixed", false)).toBe(50);
    expect(at("fixed", false, true)).toBe(60);
    const near = { exercise: { task: { snapping: "help" } } as unknown as Exercise };
    expect(
      inLine({ ...near, answering: false, snapping: true }, sheet, "v2", 7).views[1]!.at,
    ).toEqual([50, 150]);
  });

  it("knows the attitude of principal views alone", () => {
    expect(attitudeOf(top)).toEqual({ side: "+z", up: "+y" });
    expect(attitudeOf(corner)).toBeNull();
    expect(attitudeOf(undefined)).toBeNull();
  });
});
