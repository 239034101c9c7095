import type { Mesh, Point, View } from "../../api/types";
import { cross, dot, faced, type V3 } from "../../turntable/triangles";
import { frameOf } from "./setDown";

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
/** A face within this of the line of sight (a sine) is seen as an edge: triangles know its way no better. */
const EDGE_ON = 1e-4;
/** Views one looks at the whole part in: a face can be followed from there. */
const FROM: readonly View["kind"][] = ["principal", "auxiliary"];

/** The flat faces of a part that are square to none of its axes, the largest first. */
export function slantedFaces(mesh: Mesh): SlantedFace[] {
  const faces = new Map<number, SlantedFace | null>();
  mesh.face_of_triangle.forEach((face, triangle) => {
    const own = faced(mesh, triangle);
    if (!own) return;
    const known = faces.get(face);
    if (known === undefined) faces.set(face, { face, ...own });
    else if (known && dot(known.normal, own.normal) > 1 - ALIKE) known.area += own.area;
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
  const asEdge = known.find(({ frame }) => Math.abs(dot(frame[2], normal)) < EDGE_ON);
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
