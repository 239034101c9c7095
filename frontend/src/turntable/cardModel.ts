import { BackSide, BufferGeometry, Color, Float32BufferAttribute, MeshBasicMaterial } from "three";

import type { Mesh } from "../api/types";
import { FAULT, SHEET_INK, TINTS } from "../theme";

/** Card faces: three quiet tints by the direction a face looks in, mixed on inclined and round ones. */
export function cardGeometry(mesh: Mesh, lit: ReadonlySet<number>): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new Float32BufferAttribute(mesh.points, 3));
  geometry.setIndex(mesh.triangles);
  geometry.computeVertexNormals();
  const normals = geometry.getAttribute("normal");
  const colours = new Float32Array(mesh.points.length);
  const tints = [new Color(TINTS.x), new Color(TINTS.y), new Color(TINTS.z)];
  for (let i = 0; i < normals.count; i++) {
    const weights = [normals.getX(i) ** 2, normals.getY(i) ** 2, normals.getZ(i) ** 2];
    const colour = new Color(0, 0, 0);
    tints.forEach((tint, k) => {
      const w = weights[k] ?? 0;
      colour.r += tint.r * w;
      colour.g += tint.g * w;
      colour.b += tint.b * w;
    });
    colour.toArray(colours, i * 3);
  }
  const fault = new Color(FAULT);
  mesh.face_of_triangle.forEach((face, t) => {
    if (!lit.has(face)) return;
    for (let k = 0; k < 3; k++) {
      const at = (mesh.triangles[t * 3 + k] ?? 0) * 3;
      new Color(colours[at]!, colours[at + 1]!, colours[at + 2]!)
        .lerp(fault, 0.45)
        .toArray(colours, at);
    }
  });
  geometry.setAttribute("color", new Float32BufferAttribute(colours, 3));
  return geometry;
}

/** Start and end points of all ink edges, and of the lit ones, in a row for line segments. */
export function edgeSegments(
  mesh: Mesh,
  lit: ReadonlySet<number>,
): { ink: number[]; lit: number[] } {
  const result = { ink: [] as number[], lit: [] as number[] };
  mesh.edges.forEach((points, edge) => {
    const target = lit.has(edge) ? result.lit : result.ink;
    for (let i = 0; i + 5 < points.length; i += 3) target.push(...points.slice(i, i + 6));
  });
  return result;
}

/** Back faces grown by a hair: their rim is the ink line around round surfaces. */
export function outlineMaterial(width: number): MeshBasicMaterial {
  const material = new MeshBasicMaterial({ color: SHEET_INK, side: BackSide });
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = shader.vertexShader.replace(
      "#include <begin_vertex>",
      `vec3 transformed = position + normal * ${width.toFixed(6)};`,
    );
  };
  return material;
}

/** Middle and half diagonal of a mesh. */
export function bounds(mesh: Mesh): { middle: [number, number, number]; radius: number } {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  mesh.points.forEach((value, i) => {
    const k = i % 3;
    low[k] = Math.min(low[k]!, value);
    high[k] = Math.max(high[k]!, value);
  });
  const middle = low.map((value, k) => (value + high[k]!) / 2) as [number, number, number];
  return { middle, radius: Math.hypot(...low.map((value, k) => (high[k]! - value) / 2)) };
}
