import { t } from "../frame/language";
import type { Mesh, Task } from "../api/types";
import { faced, type V3 } from "../turntable/triangles";

export type SpecialAsked = Task["special"][number];
export type SectionForm = Extract<SpecialAsked, { kind: "section" }>["form"];

export const FORMS: readonly SectionForm[] = [
  "any",
  "full",
  "half",
  "offset",
  "aligned",
  "broken-out",
  "removed",
  "revolved",
];

/** A form of section in words. */
export function formWords(form: SectionForm): string {
  switch (form) {
    case "any":
      return t("any section");
    case "full":
      return t("full section");
    case "half":
      return t("half section");
    case "offset":
      return t("offset section");
    case "aligned":
      return t("aligned section");
    case "broken-out":
      return t("broken-out section");
    case "removed":
      return t("removed section");
    case "revolved":
      return t("revolved section");
  }
}

function pointWords(point: readonly number[]): string {
  return `(${point.map((x) => Math.round(x * 100) / 100).join(", ")})`;
}

/** What is asked of a special view, beside its kind. */
export function askedWords(asked: SpecialAsked): string {
  switch (asked.kind) {
    case "section":
      return asked.through.length > 0
        ? t("through {{points}}", { points: asked.through.map(pointWords).join(", ") })
        : t("anywhere");
    case "detail":
      return asked.of
        ? t("of the place {{point}}", { point: pointWords(asked.of) })
        : t("of any place");
    case "auxiliary": {
      const normal = asked.shows?.normal;
      return normal
        ? t("square to the face that looks along {{way}}", { way: pointWords(normal) })
        : t("in any direction");
    }
  }
}

/** The outward direction of a flat face, by the first of its triangles: a unit vector. */
export function normalOfFace(mesh: Mesh, face: number): V3 | null {
  const triangle = mesh.face_of_triangle.indexOf(face);
  if (triangle < 0) return null;
  return faced(mesh, triangle)?.normal ?? null;
}
