import type { Exercise, SheetDocument } from "../api/types";
import { paperOf } from "../bench/stages/paperOf";
import { isGivenKind, isOfParts } from "../exercise/kinds";

/** A sheet on the paper of another one of its set, with sizes written as they are there. */
export function laidOutLike(now: SheetDocument, other: SheetDocument, { task }: Exercise) {
  const { units, style, decimals, fractions } = other;
  return {
    ...now,
    paper: paperOf(now.paper, task, other.paper),
    units,
    style,
    decimals,
    fractions,
  };
}

/** A sheet with all that is drawn on another one of its set; its own title block and name stay. */
export function copiedFrom(now: SheetDocument, other: SheetDocument, exercise: Exercise) {
  const { paper } = laidOutLike(now, other, exercise);
  const { title, name } = now;
  return { ...other, paper, title, name, unread_sizes: 0, by_hand: false };
}

/** Whether what is drawn on one sheet may stand on another: views of one part, drawn in one way, none of them given. */
export function showsTheSame({ model, task }: Exercise, other: Exercise): boolean {
  const { kind } = task.drafting;
  return (
    model === other.model &&
    kind === other.task.drafting.kind &&
    !isGivenKind(kind) &&
    (task.shows === other.task.shows || !(isOfParts(task) || isOfParts(other.task)))
  );
}
