import type { Task } from "../api/types";

export type Kind = Task["drafting"]["kind"];

/** Whether views are set out for the student, with something left to draw. */
export function isGivenKind(kind: Kind): boolean {
  return kind !== "projected" && kind !== "drafted";
}
