import type { Mesh, Point, View } from "../../api/types";
import { frameOf } from "./setDown";

type V3 = readonly [number, number, number];

/** A flat slanted face: its number, its outward normal and its area in the part's unit. */
export interface SlantedFace {
  face: number;
  normal: V3;
  area: number;
}

/**
 * What comes next on the way to the true shape of a face (descriptive geometry, any textbook's method): one looks
 * square to its edge where a view shows it as an edge; else first along a line of it that is in true length.
 */
export type NextStep =
  | { kind: "shown"; view: View }
  | { kind: "square to its edge"; parent: View; towards: Point }
  | { kind: "along a line of it"; parent: View; towards: Point }
  | { kind: "no view" };

const ALIKE = 1e-6;
/** Views one looks at the whole part in: a face can be followed from there. */
const FROM: readonly View["kind"][] = ["principal", "auxiliary"];

function dot(a: V3, b: V3): number {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

function cross(a: V3, b: V3): V3 {
  return [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
}

/** The flat faces of a part that are square to none of its axes, the largest first. */
export function slantedFaces(mesh: Mesh): SlantedFace[] {
  const faces = new Map<number, SlantedFace | null>();
  const corner = (index: number): V3 => {
    const at = 3 * (mesh.triangles[index] ?? 0);
    return [mesh.points[at] ?? 0, mesh.points[at + 1] ?? 0, mesh.points[at + 2] ?? 0];
  };
  mesh.face_of_triangle.forEach((face, triangle) => {
    const [a, b, c] = [0, 1, 2].map((k) => corner(3 * triangle + k)) as [V3, V3, V3];
    const way = cross(
      [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
      [c[0] - a[0], c[1] - a[1], c[2] - a[2]],
    );
    const length = Math.hypot(...way);
    if (length === 0) return;
    const normal: V3 = [way[0] / length, way[1] / length, way[2] / length];
    const known = faces.get(face);
    if (known === undefined) faces.set(face, { face, normal, area: length / 2 });
    else if (known && dot(known.normal, normal) > 1 - ALIKE) known.area += length / 2;
    // A face whose triangles look different ways is not flat.
    else faces.set(face, null);
  });
  return [...faces.values()]
    .filter(
      (own): own is SlantedFace => own !== null && own.normal.every((x) => Math.abs(x) < 0.9999),
    )
    .sort((a, b) => b.area - a.area);
}

/** What to set down next; views of the whole part in their order. */
export function nextStep(normal: V3, views: readonly View[]): NextStep {
  const known = views.flatMap((view) => {
    const frame = FROM.includes(view.kind) && !view.mirrored ? frameOf(view) : null;
    return frame ? [{ view, frame }] : [];
  });
  const shown = known.find(({ frame }) => Math.abs(dot(frame[2], normal)) > 1 - ALIKE);
  if (shown) return { kind: "shown", view: shown.view };
  const asEdge = known.find(({ frame }) => Math.abs(dot(frame[2], normal)) < ALIKE);
  if (asEdge) {
    const { view, frame } = asEdge;
    const towards: Point = [dot(normal, frame[0]), dot(normal, frame[1])];
    return { kind: "square to its edge", parent: view, towards };
  }
  const [first] = known;
  if (!first) return { kind: "no view" };
  // Level with the plane of this view, so that the view shows it in true length.
  const line = cross(normal, first.frame[2]);
  const towards: Point = [dot(line, first.frame[0]), dot(line, first.frame[1])];
  return { kind: "along a line of it", parent: first.view, towards };
}
