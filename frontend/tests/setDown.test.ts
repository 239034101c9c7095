import { describe, expect, it } from "vitest";

import type { Ink, Point, SheetDocument, View } from "../src/api/types";
import { homeOf, made, pointsNeeded, straightened } from "../src/bench/special/drawn";
import {
  auxiliaryOf,
  detailOf,
  formOf,
  frameOf,
  inFold,
  nextLetter,
  sectionOf,
  sightOf,
} from "../src/bench/special/setDown";
import { examples } from "./examples";

const flat = (view: View | null) => (view && frameOf(view) ? frameOf(view)!.flat() : []);

describe.each(examples.set_down)("a line over a view", ({ parent, line, section, auxiliary }) => {
  it("stands for the section the core sets down", () => {
    const own = sectionOf(line, parent, "s1");
    flat(own).forEach((x, k) => expect(x).toBeCloseTo(flat(section)[k]!, 9));
    expect(own?.cut?.form).toBe(section.cut?.form);
    own?.cut?.path.flat().forEach((x, k) => expect(x).toBeCloseTo(section.cut!.path.flat()[k]!, 9));
    expect(own?.cut?.across).toEqual(section.cut?.across);
    expect([own?.parent, own?.at, own?.scale, own?.letter]).toEqual([
      section.parent,
      section.at,
      section.scale,
      section.letter,
    ]);
  });

  it("is folded out across as in the core", () => {
    const own = auxiliaryOf(sightOf(line), parent, "a1");
    flat(own).forEach((x, k) => expect(x).toBeCloseTo(flat(auxiliary)[k]!, 9));
  });
});

const { parent: top, line: across } = examples.set_down[0]!;
const sheet = {
  views: [top],
  dimensions: [],
  marks: [],
  notes: [],
  cutting_lines: [],
  circled: [],
  sight_arrows: [],
} as unknown as SheetDocument;
const ink = {
  views: [
    { id: "v2", box: [50, 150, 210, 250], factor: 2 },
    { id: "v1", box: [50, 50, 210, 110], factor: 2 },
  ],
} as unknown as Ink;

describe("what is drawn for special views", () => {
  it("belongs to the view it runs over, also where it ends beside it", () => {
    expect(
      homeOf(
        [
          [45, 200],
          [215, 200],
        ],
        ink,
      ),
    ).toBe("v2");
    expect(
      homeOf(
        [
          [45, 80],
          [60, 80],
        ],
        ink,
      ),
    ).toBe("v1");
    expect(
      homeOf(
        [
          [300, 400],
          [320, 400],
        ],
        ink,
      ),
    ).toBeNull();
  });

  it("is a cutting line with the next letter, in the plane of its view", () => {
    const result = made(
      "cutting line",
      [
        [50, 200],
        [210, 200],
      ],
      "v2",
      ink,
      sheet,
    )!;
    const next = result.change(sheet);
    expect(next.cutting_lines).toEqual([
      {
        id: "c1",
        view: "v2",
        path: [
          [0, 25],
          [80, 25],
        ],
        arrows: "left",
        letter: "A",
      },
    ]);
    expect(nextLetter(next)).toBe("B");
    expect(sectionOf(next.cutting_lines[0]!, top, "s1")?.cut?.path).toEqual([
      [0, 25, 0],
      [80, 25, 0],
    ]);
  });

  it("is a circle about a region, enlarged as it is", () => {
    const next = made(
      "circled region",
      [
        [90, 190],
        [90, 202],
      ],
      "v2",
      ink,
      sheet,
    )!.change(sheet);
    const detail = detailOf(next.circled[0]!, top, "d1", 5)!;
    expect(detail.clip).toEqual({ centre: [20, 20], radius: 6, corners: [] });
    expect([detail.scale, detail.letter, detail.parent]).toEqual([5, "A", "v2"]);
  });

  it("folds a view out square to the edge that was pointed along, and lets it hang", () => {
    const result = made(
      "folding line",
      [
        [50, 150],
        [110, 230],
      ],
      "v2",
      ink,
      sheet,
    )!;
    const [, view] = result.change(sheet).views;
    expect(result.hanging).toBe(view!.id);
    // Square to (3, 4) in the plane of the top view, whose right is x and up y.
    const towards = frameOf(view!)![2];
    expect(towards[0] * 3 + towards[1] * 4).toBeCloseTo(0, 9);
  });

  it("is nothing where two points are one", () => {
    const twice: Point[] = [
      [50, 150],
      [50, 150],
    ];
    expect(made("folding line", twice, "v2", ink, sheet)).toBeNull();
    expect(made("circled region", twice, "v2", ink, sheet)).toBeNull();
    expect(pointsNeeded("cutting line")).toBe(Infinity);
  });

  it("goes on level or straight up, and begins level with what is near", () => {
    expect(straightened("cutting line", [[10, 10]], [60, 11], [], 2)).toEqual([60, 10]);
    expect(straightened("cutting line", [[10, 10]], [11, 70], [], 2)).toEqual([10, 70]);
    expect(straightened("cutting line", [[10, 10]], [60, 60], [], 2)).toEqual([60, 60]);
    const centre = { kind: "point" as const, view: "v2", at: [100, 200] as Point };
    expect(straightened("cutting line", [], [40, 201], [centre], 2)).toEqual([40, 200]);
  });
});

describe("forms and places", () => {
  it("are told by the shape of the line", () => {
    expect(
      formOf(
        [
          [0, 0],
          [5, 0],
          [9, 3],
        ],
        [0, 1],
      ),
    ).toBe("aligned");
    expect(
      formOf(
        [
          [0, 0],
          [5, 0],
          [5, -3],
        ],
        [0, 1],
      ),
    ).toBe("half");
  });

  it("bring a section in line with its parent within reach, and no farther", () => {
    const section = { ...sectionOf(across, top, "s1")!, at: [53, 60] as Point };
    const on = (reach: number) =>
      inFold({ ...sheet, views: [top, section] }, "s1", reach).views[1]!.at;
    expect(on(5)).toEqual([50, 60]);
    expect(on(2)).toEqual([53, 60]);
  });
});
