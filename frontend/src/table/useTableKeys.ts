import { useHotkeys } from "@mantine/hooks";

import type { Criterion, Point } from "../api/types";
import type { PinTool } from "./PinLayer";

interface Actions {
  go: (step: number) => void;
  step: (way: number) => void;
  settle: (decision: "upheld" | "waived") => void;
  again: () => void;
  take: (tool: PinTool) => void;
  add: () => void;
  overlay: () => void;
  compare: () => void;
  giveBack: () => void;
  help: () => void;
  putDown: () => void;
  /** The criterion of the chosen finding: its points are given first. */
  criterion: Criterion | null;
  /** Where a pin in hand would be put; the arrow keys move it. */
  spot: Point | null;
  onSpot: (at: Point) => void;
}

/** Steps of a pin moved by keys, mm on paper; with Alt the small one. */
const STEP = 5;
const SMALL_STEP = 1;

/** Everything on the table without the pointer; the key sheet lists it. */
export function useTableKeys(actions: Actions): void {
  const { spot, onSpot, step } = actions;
  const arrow = (x: number, y: number) => () => {
    if (spot) onSpot([spot[0] + x * STEP, spot[1] + y * STEP]);
    else if (y !== 0) step(-y);
  };
  const nudge = (x: number, y: number) => () => {
    if (spot) onSpot([spot[0] + x * SMALL_STEP, spot[1] + y * SMALL_STEP]);
  };
  useHotkeys([
    ["[", () => actions.go(-1)],
    ["]", () => actions.go(1)],
    ["ArrowDown", arrow(0, -1)],
    ["ArrowUp", arrow(0, 1)],
    ["ArrowLeft", arrow(-1, 0), { preventDefault: spot !== null }],
    ["ArrowRight", arrow(1, 0), { preventDefault: spot !== null }],
    ["alt+ArrowDown", nudge(0, -1)],
    ["alt+ArrowUp", nudge(0, 1)],
    ["alt+ArrowLeft", nudge(-1, 0)],
    ["alt+ArrowRight", nudge(1, 0)],
    ["Enter", () => spot && focus("[data-pin-words]"), { preventDefault: spot !== null }],
    ["U", () => actions.settle("upheld")],
    ["X", () => actions.settle("waived")],
    ["N", actions.again],
    ["R", () => focus("[data-remark]")],
    ["M", () => give(actions.criterion)],
    ["A", actions.add],
    ["P", () => actions.take("pin")],
    ["F", () => actions.take("stroke")],
    ["E", actions.overlay],
    ["C", actions.compare],
    // Not one key alone: what is given back cannot be taken back.
    ["shift+G", actions.giveBack],
    ["Escape", actions.putDown, { preventDefault: false }],
    ["shift+?", actions.help],
  ]);
}

function focus(selector: string): void {
  document.querySelector<HTMLElement>(selector)?.focus();
}

/** Open the points of a criterion, or the first ones that can be given. */
function give(criterion: Criterion | null): void {
  const own = criterion && document.querySelector<HTMLElement>(`[data-give="${criterion}"]`);
  (own || document.querySelector<HTMLElement>("[data-give]"))?.click();
}
