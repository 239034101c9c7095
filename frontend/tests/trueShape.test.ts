import { describe, expect, it } from "vitest";

import type { Mesh, View } from "../src/api/types";
import { auxiliaryOf, frameOf } from "../src/bench/special/setDown";
import { nextStep, slantedFaces } from "../src/bench/special/trueShape";

type V3 = [number, number, number];

const front = {
  id: "v1",
  kind: "principal",
  look: { side: "-y", up: "+z" },
  at: [0, 0],
  scale: 1,
  parent: null,
} as unknown as View;
const top = { ...front, id: "v2", look: { side: "+z", up: "+y" } } as unknown as View;

function unit([x, y, z]: V3): V3 {
  const length = Math.hypot(x, y, z);
  return [x / length, y / length, z / length];
}

/** Sets down what the guide asks for until the face is in true shape; how many views that took. */
function led(normal: V3, from: View[]): { views: View[]; kinds: string[] } {
  const views = [...from];
  const kinds: string[] = [];
  for (;;) {
    const step = nextStep(normal, views);
    kinds.push(step.kind);
    if (!("parent" in step) || kinds.length > 5) return { views, kinds };
    views.push(auxiliaryOf(step.towards, step.parent, `a${views.length}`)!);
  }
}

describe("the way to the true shape of a face", () => {
  it("is one view for a face that a view shows as an edge", () => {
    const { views, kinds } = led(unit([3, 0, 4]), [front, top]);
    expect(kinds).toEqual(["square to its edge", "shown"]);
    expect(views[2]!.parent).toBe("v1");
  });

  it("is two for an oblique face: along a line of it, then square to its edge", () => {
    const normal = unit([2, -3, 6]);
    const { views, kinds } = led(normal, [front, top]);
    expect(kinds).toEqual(["along a line of it", "square to its edge", "shown"]);
    const [primary, secondary] = [frameOf(views[2]!)!, frameOf(views[3]!)!];
    const along = (row: V3) => row[0] * normal[0] + row[1] * normal[1] + row[2] * normal[2];
    expect(along(primary[2])).toBeCloseTo(0, 12);
    expect(along(secondary[2])).toBeCloseTo(1, 12);
    // The line looked along is in true length in the parent: level with its plane.
    expect(primary[2][0] * 0 + primary[2][1] * -1 + primary[2][2] * 0).toBeCloseTo(0, 12);
    expect([views[2]!.parent, views[3]!.parent]).toEqual(["v1", "a2"]);
  });

  it("begins with a view, and ends where one shows the face already", () => {
    expect(nextStep([0, 0, 1], []).kind).toBe("no view");
    expect(nextStep([0, 0, 1], [front, top])).toMatchObject({ kind: "shown", view: { id: "v2" } });
    const cut = { ...top, kind: "section" } as View;
    expect(nextStep([0, 0, 1], [front, cut]).kind).toBe("square to its edge");
  });
});

describe("the slanted faces of a part", () => {
  it("are flat, square to no axis, and the largest comes first", () => {
    // Two triangles of one slope, one of another, one level, and a bent face.
    const points = [
      [0, 0, 0],
      [4, 0, 3],
      [4, 5, 3],
      [0, 5, 0],
      [0, 0, 9],
      [1, 0, 10],
      [0, 1, 9],
      [0, 0, 20],
      [1, 0, 20],
      [0, 1, 20],
      [0, 0, 30],
      [1, 0, 31],
      [0, 1, 30],
      [0, 1, 33],
    ].flat();
    const mesh = {
      points,
      triangles: [0, 1, 2, 0, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 10, 11, 13],
      face_of_triangle: [7, 7, 3, 4, 5, 5],
    } as unknown as Mesh;
    const found = slantedFaces(mesh);
    expect(found.map(({ face }) => face)).toEqual([7, 3]);
    expect(found[0]!.area).toBeCloseTo(25, 9);
    expect([...found[0]!.normal]).toEqual([-0.6, 0, 0.8].map((x) => expect.closeTo(x, 12)));
  });
});
