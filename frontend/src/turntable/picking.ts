import { Vector3 } from "three";

import type { Mesh, Side } from "../api/types";

/** What a pointer is over on the turntable: always a face, and an edge when it is close to one. */
export interface Picked {
  face: number;
  edge: number | null;
  /** Where, in the part's own coordinates. */
  at: [number, number, number];
  /** The model direction the face looks in there, when it looks squarely along an axis. */
  towards: Side | null;
}

function distanceToSegment(p: Vector3, a: Vector3, b: Vector3): number {
  const along = b.clone().sub(a);
  const t = Math.max(0, Math.min(1, p.clone().sub(a).dot(along) / (along.lengthSq() || 1)));
  return p.distanceTo(a.clone().addScaledVector(along, t));
}

/** The ink edge that passes within reach of a point. */
export function nearestEdge(mesh: Mesh, at: Vector3, reach: number): number | null {
  let best: number | null = null;
  let least = reach;
  mesh.edges.forEach((points, edge) => {
    for (let i = 0; i + 5 < points.length; i += 3) {
      const [ax, ay, az, bx, by, bz] = points.slice(i, i + 6) as [
        number,
        number,
        number,
        number,
        number,
        number,
      ];
      const far = distanceToSegment(at, new Vector3(ax, ay, az), new Vector3(bx, by, bz));
      if (far < least) {
        least = far;
        best = edge;
      }
    }
  });
  return best;
}

/** A point in the middle of an ink edge, to choose it by. */
export function middleOfEdge(mesh: Mesh, edge: number): [number, number, number] {
  const points = mesh.edges[edge] ?? [];
  const count = points.length / 3;
  if (count === 2) {
    return [0, 1, 2].map((k) => tidy(((points[k] ?? 0) + (points[k + 3] ?? 0)) / 2)) as Triple;
  }
  const half = 3 * Math.floor(count / 2);
  return [0, 1, 2].map((k) => tidy(points[half + k] ?? 0)) as Triple;
}

type Triple = [number, number, number];

export function tidy(value: number): number {
  return Math.round(value * 1000) / 1000;
}

export function sideOfNormal(normal: Vector3): Side | null {
  const parts: [number, string][] = [
    [normal.x, "x"],
    [normal.y, "y"],
    [normal.z, "z"],
  ];
  const found = parts.find(([value]) => Math.abs(value) > 0.999);
  return found ? (((found[0] < 0 ? "-" : "+") + found[1]) as Side) : null;
}
