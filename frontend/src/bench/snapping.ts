import type { SheetDocument } from "../api/types";

const REACH_MM = 2.5;

/** Lets a view snap to the projection lines of the front view: to its left and right, or to its height. */
export function snapped(document: SheetDocument, id: string): SheetDocument {
  const front = document.views.find((v) => v.id === document.front);
  if (!front || front.id === id) return document;
  return {
    ...document,
    views: document.views.map((view) => {
      if (view.id !== id || view.corner || view.scale !== front.scale) return view;
      const at: [number, number] = [view.at[0], view.at[1]];
      const [dx, dy] = [Math.abs(at[0] - front.at[0]), Math.abs(at[1] - front.at[1])];
      if (dx < REACH_MM && dx <= dy) at[0] = front.at[0];
      else if (dy < REACH_MM) at[1] = front.at[1];
      return { ...view, at };
    }),
  };
}
