import type { Mesh, PlacedPart } from "../api/types";
import { along, there, type V3 } from "./standing";

/** Components as one model on the turntable: where the faces and edges of each begin in it. */
export interface Composed {
  mesh: Mesh;
  parts: { id: string; firstFace: number; faces: number }[];
}

/** A component with the triangles of its part. */
export interface Shown {
  component: PlacedPart;
  mesh: Mesh;
}

/** Components where they stand, or gone a share of the way on which they are pulled apart, with trails behind them. */
export function composed(shown: readonly Shown[], share: number): Composed {
  const points: number[] = [];
  const triangles: number[] = [];
  const owners: number[] = [];
  const edges: number[][] = [];
  const trails: number[][] = [];
  const parts: Composed["parts"] = [];
  let firstFace = 0;
  for (const { component, mesh } of shown) {
    const gone = (component.apart ?? [0, 0, 0]).map((value) => value * share);
    const put = (flat: readonly number[]): number[] => {
      const out: number[] = [];
      for (let i = 0; i + 2 < flat.length; i += 3)
        there(component, flat.slice(i, i + 3)).forEach((value, k) => out.push(value + gone[k]!));
      return out;
    };
    const firstPoint = points.length / 3;
    const own = put(mesh.points);
    for (const value of own) points.push(value);
    for (const corner of mesh.triangles) triangles.push(corner + firstPoint);
    for (const face of mesh.face_of_triangle) owners.push(face + firstFace);
    edges.push(...mesh.edges.map(put));
    if (gone.some((value) => value !== 0)) {
      const middle = middleOf(own);
      trails.push([...middle.map((value, k) => value - gone[k]!), ...middle]);
    }
    const faces = facesOf(mesh);
    parts.push({ id: component.id, firstFace, faces });
    firstFace += faces;
  }
  return {
    mesh: { points, triangles, face_of_triangle: owners, edges: [...edges, ...trails] },
    parts,
  };
}

function facesOf(mesh: Mesh): number {
  return mesh.face_of_triangle.reduce((most, face) => Math.max(most, face + 1), 0);
}

/** The points of one component where it stands. */
export function pointsOf({ component, mesh }: Shown): number[] {
  return composed([{ component: { ...component, apart: null }, mesh }], 0).mesh.points;
}

/** The middle of the box of some points. */
export function middleOf(points: readonly number[]): V3 {
  const { low, high } = boxOf(points);
  return low.map((value, k) => (value + high[k]!) / 2) as V3;
}

/** Lowest and highest corner of some points. */
export function boxOf(points: readonly number[]): { low: V3; high: V3 } {
  const low: V3 = [Infinity, Infinity, Infinity];
  const high: V3 = [-Infinity, -Infinity, -Infinity];
  points.forEach((value, i) => {
    low[i % 3] = Math.min(low[i % 3]!, value);
    high[i % 3] = Math.max(high[i % 3]!, value);
  });
  return { low, high };
}

/** Whose face a face of the whole is, and its number in its part. */
export function ownerOf({ parts }: Composed, face: number): { id: string; face: number } | null {
  const own = parts.find((part) => face >= part.firstFace && face < part.firstFace + part.faces);
  return own ? { id: own.id, face: face - own.firstFace } : null;
}

/** A face of a component, by its number in the whole. */
export function faceInWhole({ parts }: Composed, id: string, face: number): number {
  return (parts.find((part) => part.id === id)?.firstFace ?? 0) + face;
}

/** All faces of a component, as they are numbered in the whole. */
export function facesOfComponent({ parts }: Composed, id: string): number[] {
  const own = parts.find((part) => part.id === id);
  return own ? Array.from({ length: own.faces }, (_, k) => own.firstFace + k) : [];
}

/** A face of a part as it can be called: flat, with the way it looks in the assembly, or round. */
export interface NamedFace {
  face: number;
  flat: boolean;
  /** The way a flat one looks. */
  way: V3;
  area: number;
}

/** The faces of a component, told by its triangles. */
export function namedFaces({ component, mesh }: Shown): NamedFace[] {
  const found: NamedFace[] = [];
  mesh.face_of_triangle.forEach((face, t) => {
    const [a, b, c] = [0, 1, 2].map((k) => {
      const at = 3 * (mesh.triangles[3 * t + k] ?? 0);
      return mesh.points.slice(at, at + 3);
    }) as [number[], number[], number[]];
    const [u, v] = [b, c].map((end) => end.map((value, k) => value - a[k]!)) as [
      number[],
      number[],
    ];
    const normal: V3 = [
      u[1]! * v[2]! - u[2]! * v[1]!,
      u[2]! * v[0]! - u[0]! * v[2]!,
      u[0]! * v[1]! - u[1]! * v[0]!,
    ];
    const twice = Math.hypot(...normal);
    if (twice === 0) return;
    const way = along(component, normal).map((value) => value / twice) as V3;
    const known = found.find((own) => own.face === face);
    if (!known) found.push({ face, flat: true, way, area: twice / 2 });
    else {
      known.flat &&= way.every((value, k) => Math.abs(value - known.way[k]!) < 1e-4);
      known.area += twice / 2;
    }
  });
  return found.sort((one, other) => other.area - one.area);
}
