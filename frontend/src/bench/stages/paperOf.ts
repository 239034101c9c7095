import type { SheetDocument, Task } from "../../api/types";

type SheetPaper = SheetDocument["paper"];

/** A sheet's paper in another size; the form an exercise asks for is for its paper, any other has the usual one. */
export function paperOf(
  paper: SheetPaper,
  task: Pick<Task, "paper" | "landscape" | "sheet_form">,
  { size, landscape }: Pick<SheetPaper, "size" | "landscape">,
): SheetPaper {
  const form = size === task.paper && landscape === task.landscape ? task.sheet_form : null;
  return { ...paper, size, landscape, form };
}
