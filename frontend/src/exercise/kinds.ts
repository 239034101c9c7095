import type { Task } from "../api/types";
import { said } from "../frame/language";

/** What a sheet shows, in the words of lists. */
export const SHOWN_WORDS: Record<Task["shows"], string> = {
  views: said("views of the part"),
  "six sides": said("all six sides"),
  "pulled apart": said("its parts pulled apart, balloons, parts list"),
  "parts list": said("the parts list alone"),
};

export type Kind = Task["drafting"]["kind"];

/** Whether views are set out for the student, with something left to draw. */
export function isGivenKind(kind: Kind): boolean {
  return kind !== "projected" && kind !== "drafted";
}

/** Whether a sheet shows an assembly's single parts or their list: nothing is asked of views in line then. */
export function isOfParts(task: Pick<Task, "shows">): boolean {
  return task.shows === "pulled apart" || task.shows === "parts list";
}
