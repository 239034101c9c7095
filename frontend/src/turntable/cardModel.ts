import { BackSide, BufferGeometry, Color, Float32BufferAttribute, MeshBasicMaterial } from "three";

import type { Mesh, ModelMotion } from "../api/types";
import { SHEET_INK, TINTS } from "../theme";

/** The colours of some faces that are of no plain card, by face. */
export type FaceColours = ReadonlyMap<number, string>;

/** What tints are measured by: the lightest of them leaves a colour as it is. */
const LIGHTEST = 0.62;

/**
 * Card faces: three quiet tints by the direction a face looks in, mixed on inclined and round ones; coloured card is
 * shaded by the same tints.
 */
export function cardGeometry(mesh: Mesh, ownColours?: FaceColours): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new Float32BufferAttribute(mesh.points, 3));
  geometry.setIndex(mesh.triangles);
  geometry.computeVertexNormals();
  const normals = geometry.getAttribute("normal");
  const colours = new Float32Array(mesh.points.length);
  const tints = [new Color(TINTS.x), new Color(TINTS.y), new Color(TINTS.z)];
  const painted = ownColours?.size ? colourOfPoints(mesh, ownColours) : [];
  for (let i = 0; i < normals.count; i++) {
    const weights = [normals.getX(i) ** 2, normals.getY(i) ** 2, normals.getZ(i) ** 2];
    const colour = new Color(0, 0, 0);
    tints.forEach((tint, k) => {
      const w = weights[k] ?? 0;
      colour.r += tint.r * w;
      colour.g += tint.g * w;
      colour.b += tint.b * w;
    });
    const own = painted[i];
    if (own) {
      const light = (colour.r + colour.g + colour.b) / 3 / LIGHTEST;
      colour.copy(own).multiplyScalar(Math.min(1.15, light));
    }
    colour.toArray(colours, i * 3);
  }
  geometry.setAttribute("color", new Float32BufferAttribute(colours, 3));
  return geometry;
}

/** The colour of each point that belongs to a coloured face; points are of one face each. */
function colourOfPoints(mesh: Mesh, ownColours: FaceColours): (Color | undefined)[] {
  const made = new Map([...new Set(ownColours.values())].map((own) => [own, new Color(own)]));
  const found: (Color | undefined)[] = [];
  mesh.face_of_triangle.forEach((face, t) => {
    const colour = ownColours.get(face);
    if (!colour) return;
    for (const point of mesh.triangles.slice(3 * t, 3 * t + 3)) found[point] = made.get(colour);
  });
  return found;
}

/** The triangles of some faces alone, sharing the points of the whole model. */
export function facesGeometry(
  whole: BufferGeometry,
  mesh: Mesh,
  faces: ReadonlySet<number>,
): BufferGeometry {
  const triangles: number[] = [];
  mesh.face_of_triangle.forEach((face, t) => {
    if (faces.has(face)) triangles.push(...mesh.triangles.slice(3 * t, 3 * t + 3));
  });
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", whole.getAttribute("position"));
  geometry.setIndex(triangles);
  return geometry;
}

/** Start and end points of the ink edges wanted, in a row for line segments. */
export function edgeSegments(mesh: Mesh, wanted: (edge: number) => boolean): number[] {
  const segments: number[] = [];
  mesh.edges.forEach((points, edge) => {
    if (!wanted(edge)) return;
    for (let i = 0; i + 5 < points.length; i += 3) segments.push(...points.slice(i, i + 6));
  });
  return segments;
}

/** A mesh with every point gone some way along a motion. */
export function movedMesh(mesh: Mesh, moves: ModelMotion, value: number): Mesh {
  const along = (points: readonly number[], by: readonly number[] | undefined) =>
    points.map((point, i) => point + value * (by?.[i] ?? 0));
  return {
    ...mesh,
    points: along(mesh.points, moves.points),
    edges: mesh.edges.map((edge, i) => along(edge, moves.edges[i])),
  };
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
