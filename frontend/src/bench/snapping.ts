import type { SheetDocument, View } from "../api/types";
import { opposite, rightOf } from "../turntable/attitude";
import { pulled } from "./apart";
import type { Bench } from "./bench";
import { inFold } from "./special/setDown";
import { attitudeOf, frontOf } from "./viewGraph";

/** Lets a view snap to the projection lines of the front view: to its left and right, or to its height, within a reach (mm). */
export function snapped(document: SheetDocument, id: string, reach: number): SheetDocument {
  return lined(document, id, (view, front) => {
    const [dx, dy] = [Math.abs(view.at[0] - front.at[0]), Math.abs(view.at[1] - front.at[1])];
    if (dx < reach && dx <= dy) return [front.at[0], view.at[1]];
    return dy < reach ? [view.at[0], front.at[1]] : view.at;
  });
}

/** Holds a view in line with the front view, across the folding line between the two. */
export function held(document: SheetDocument, id: string): SheetDocument {
  return lined(document, id, (view, front) => {
    const own = attitudeOf(view)?.side;
    const other = attitudeOf(front);
    if (!own || !other || own === other.side) return view.at;
    const beside = [rightOf(other), opposite(rightOf(other)), opposite(other.side)].includes(own);
    return beside ? [view.at[0], front.at[1]] : [front.at[0], view.at[1]];
  });
}

/** A sheet on which a view was moved since it was `before`, in line as far as exercise and drafter want it. */
export function inLine(
  bench: Pick<Bench, "exercise" | "answering" | "snapping"> & Partial<Pick<Bench, "alongAxes">>,
  document: SheetDocument,
  id: string,
  reach: number,
  before = document,
): SheetDocument {
  const { exercise, answering, snapping, alongAxes } = bench;
  if (document.views.some((v) => v.id === id && v.only))
    return alongAxes ? pulled(before, document, id) : document;
  const folded = document.views.some((v) => v.id === id && v.parent && v.kind !== "principal");
  if (!answering && exercise.task.snapping === "fixed")
    return folded ? inFold(document, id, Infinity) : held(document, id);
  if (!snapping) return document;
  return folded ? inFold(document, id, reach) : snapped(document, id, reach);
}

/** The sheet with one principal view of the front view's scale put elsewhere. */
function lined(
  document: SheetDocument,
  id: string,
  place: (view: View, front: View) => [number, number],
): SheetDocument {
  const front = frontOf(document);
  if (!front || front.id === id) return document;
  return {
    ...document,
    views: document.views.map((view) =>
      view.id === id && view.kind === "principal" && view.scale === front.scale
        ? { ...view, at: place(view, front) }
        : view,
    ),
  };
}
