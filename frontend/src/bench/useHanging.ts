import type { Ink, Point, SheetDocument } from "../api/types";
import type { Box } from "../paper/Paper";
import { type Bench, moved } from "./bench";
import { inLine } from "./snapping";
import { overlapping, shifted } from "./stages/placing";

/** A view that hangs on the pointer until it is set down: where it may be, and what it would lie on. */
export function useHanging(bench: Bench, ink: Ink, drawn: SheetDocument) {
  const { hanging, document } = bench;
  const box = ink.views.find((view) => view.id === hanging)?.box;
  const now = document.views.find((view) => view.id === hanging);
  const then = drawn.views.find((view) => view.id === hanging);
  if (!hanging || !box || !now || !then || box[0] === box[2]) return { known: false as const };

  const boxIn = (shown: SheetDocument, id: string): Box | null => {
    const found = ink.views.find((view) => view.id === id)?.box;
    const [was, is] = [drawn, shown].map((d) => d.views.find((view) => view.id === id));
    return found && was && is ? shifted(found, [is.at[0] - was.at[0], is.at[1] - was.at[1]]) : null;
  };
  const own = boxIn(document, hanging) ?? box;
  const middle: Point = [(own[0] + own[2]) / 2, (own[1] + own[3]) / 2];
  return {
    known: true as const,
    /** The box of what it is folded out from. */
    parent: now.parent ? boxIn(document, now.parent) : null,
    boxIn: (shown: SheetDocument) => boxIn(shown, hanging) ?? own,
    at: ([x, y]: Point, reach: number): SheetDocument => {
      const next = moved(document, { role: "view", id: hanging }, x - middle[0], y - middle[1]);
      return inLine(bench, next, hanging, reach);
    },
    /** The view it would lie on there. */
    liesOn: (shown: SheetDocument): string | null => {
      const mine = boxIn(shown, hanging);
      const others = shown.views.filter((view) => view.id !== hanging);
      const hit = others.find((view) => {
        const theirs = boxIn(shown, view.id);
        return mine && theirs && overlapping(mine, theirs);
      });
      return hit?.id ?? null;
    },
  };
}

export type Hanging = ReturnType<typeof useHanging>;
