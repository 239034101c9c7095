import type { Mesh } from "../api/types";

export type V3 = [number, number, number];

export function dot(a: V3, b: V3): number {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

export function cross(a: V3, b: V3): V3 {
  return [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
}

/** The outward normal of a triangle of the card model, and its area; null for one without. */
export function faced(mesh: Mesh, triangle: number): { normal: V3; area: number } | null {
  const [a, b, c] = [0, 1, 2].map((k): V3 => {
    const at = 3 * (mesh.triangles[3 * triangle + k] ?? 0);
    return [mesh.points[at] ?? 0, mesh.points[at + 1] ?? 0, mesh.points[at + 2] ?? 0];
  }) as [V3, V3, V3];
  const way = cross(
    [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
    [c[0] - a[0], c[1] - a[1], c[2] - a[2]],
  );
  const length = Math.hypot(...way);
  if (length === 0) return null;
  return { normal: [way[0] / length, way[1] / length, way[2] / length], area: length / 2 };
}
