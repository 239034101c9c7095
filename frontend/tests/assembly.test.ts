// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from "vitest";

import type { Assembly, Mesh, PlacedPart } from "../src/api/types";
import {
  boxOf,
  composed,
  faceInWhole,
  facesOfComponent,
  namedFaces,
  ownerOf,
} from "../src/assembly/composed";
import { there, turnedBy } from "../src/assembly/standing";
import { forget, freshIds, keptHere } from "../src/assembly/useAssembly";
import { examples } from "./examples";

const UPRIGHT: PlacedPart["axes"] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** A square of 10 on the ground as one face, and an upright one above its near side as another. */
const corner: Mesh = {
  points: [0, 0, 0, 10, 0, 0, 10, 10, 0, 0, 10, 0, 0, 0, 0, 10, 0, 0, 10, 0, 4, 0, 0, 4],
  triangles: [0, 1, 2, 0, 2, 3, 4, 5, 6, 4, 6, 7],
  face_of_triangle: [0, 0, 1, 1],
  edges: [[0, 0, 0, 10, 0, 0]],
};

function component(id: string, more: Partial<PlacedPart> = {}): PlacedPart {
  return { id, name: id, part: "1", at: [0, 0, 0], axes: UPRIGHT, within: [], ...more };
}

function shown(...components: PlacedPart[]) {
  return components.map((own) => ({ component: own, mesh: corner }));
}

describe("where a component stands", () => {
  it.each(examples.standings)("is turned as the core turns it: $axis, $degrees°", (told) => {
    const turned = turnedBy(told.start, told.about, told.axis, told.degrees);
    turned.axes.forEach((axis, k) =>
      axis.forEach((value, i) => expect(value).toBeCloseTo(told.turned.axes[k]![i]!, 9)),
    );
    there(turned, told.point).forEach((value, k) => expect(value).toBeCloseTo(told.there[k]!, 9));
  });

  it("is as it was after four quarters", () => {
    let own: Pick<PlacedPart, "at" | "axes"> = { at: [3, 4, 5], axes: UPRIGHT };
    for (let k = 0; k < 4; k++) own = turnedBy(own, [1, 1, 1], 2, 90);
    expect(own).toEqual({ at: [3, 4, 5], axes: UPRIGHT });
  });
});

describe("components as one model", () => {
  const all = shown(component("a"), component("b", { at: [20, 0, 0], apart: [0, 8, 0] }));

  it("stand side by side with faces and edges of their own", () => {
    const whole = composed(all, 0);
    expect(boxOf(whole.mesh.points)).toEqual({ low: [0, 0, 0], high: [30, 10, 4] });
    expect(whole.mesh.face_of_triangle).toEqual([0, 0, 1, 1, 2, 2, 3, 3]);
    expect(Math.max(...whole.mesh.triangles)).toBe(15);
    expect(whole.mesh.edges).toEqual([
      [0, 0, 0, 10, 0, 0],
      [20, 0, 0, 30, 0, 0],
    ]);
    expect(ownerOf(whole, 3)).toEqual({ id: "b", face: 1 });
    expect(faceInWhole(whole, "b", 1)).toBe(3);
    expect(facesOfComponent(whole, "b")).toEqual([2, 3]);
    expect(ownerOf(whole, 4)).toBeNull();
  });

  it("go their ways by a share, with a trail from where they came", () => {
    const whole = composed(all, 0.5);
    expect(boxOf(whole.mesh.points).high).toEqual([30, 14, 4]);
    expect(whole.mesh.edges).toHaveLength(3);
    expect(whole.mesh.edges[2]).toEqual([25, 5, 2, 25, 9, 2]);
  });

  it("have faces that are called by the way they look in the assembly", () => {
    const turned = turnedBy({ at: [0, 0, 0], axes: UPRIGHT }, [0, 0, 0], 0, 90);
    const [one] = shown(component("a", turned));
    const faces = namedFaces(one!);
    expect(faces.map(({ face, flat, area }) => [face, flat, area])).toEqual([
      [0, true, 100],
      [1, true, 40],
    ]);
    // The ground looked up; turned forward about X it looks towards the reader.
    expect(faces[0]!.way.map((value) => Math.round(value) + 0)).toEqual([0, -1, 0]);
  });
});

describe("an assembly under way", () => {
  const start: Assembly = {
    format: 1,
    name: "Pedal",
    units: "mm",
    natural_up: null,
    components: [component("c1"), component("c3")],
  };
  beforeEach(() => localStorage.clear());

  it("gives components ids that are free", () => {
    expect(freshIds(start, 2)).toEqual(["c2", "c4"]);
  });

  it("is kept by the browser as long as the shelf has what it was begun with", () => {
    const changed = { ...start, name: "Pedal, changed" };
    localStorage.setItem(
      "maqueta-assembly-7",
      JSON.stringify({ base: JSON.stringify(start), assembly: changed }),
    );
    expect(keptHere(7, start)).toEqual(changed);
    expect(keptHere(8, start)).toBe(start);
    expect(keptHere(7, { ...start, name: "Changed elsewhere" }).name).toBe("Changed elsewhere");
    localStorage.setItem("maqueta-assembly-8", "no document");
    expect(keptHere(8, start)).toBe(start);
    forget(7);
    expect(keptHere(7, start)).toBe(start);
  });
});
