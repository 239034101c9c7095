import type { Change } from "../../api/types";
import { said } from "../../frame/language";

export const DRAW_TOOLS = ["line", "rectangle", "circle", "arc"] as const;
export const CHANGE_TOOLS = ["erase", "trim", "extend", "parallel", "redraw", "hatch"] as const;
export const CARRY_TOOLS = ["throw", "square", "mitre", "carry", "set off"] as const;
/** Tools that take their direction from a line, and which of their points lies on it. */
export const ALONG: Partial<Record<DraftTool, number>> = { square: 0, "set off": 2 };

export type ChangeTool = (typeof CHANGE_TOOLS)[number];
export type DraftTool = (typeof DRAW_TOOLS)[number] | ChangeTool | (typeof CARRY_TOOLS)[number];

export const PEN_NAMES = ["visible", "hidden", "centre", "construction"] as const;
export type Pen = (typeof PEN_NAMES)[number];

interface Facts {
  label: string;
  /** How many points the tool takes. */
  points: number;
  /** What to do next, by the number of points taken. */
  hints: string[];
}

export const TOOL_FACTS: Record<DraftTool, Facts> = {
  line: {
    label: said("Line"),
    points: 2,
    hints: [
      said("Set the pen down."),
      said("Where does the line end? Shift keeps it level or upright."),
    ],
  },
  rectangle: {
    label: said("Rectangle"),
    points: 2,
    hints: [said("Set the first corner."), said("Set the opposite corner.")],
  },
  circle: {
    label: said("Circle"),
    points: 2,
    hints: [said("Set the centre."), said("Set a point of the circle.")],
  },
  arc: {
    label: said("Arc"),
    points: 3,
    hints: [
      said("Set the centre."),
      said("Set where the arc begins."),
      said("Where does it end, counter-clockwise?"),
    ],
  },
  erase: { label: said("Erase"), points: 1, hints: [said("Point at the line to take away.")] },
  trim: {
    label: said("Trim"),
    points: 1,
    hints: [said("Point at the stretch to take away, between two crossing lines.")],
  },
  extend: {
    label: said("Extend"),
    points: 1,
    hints: [said("Point near the end that shall reach the next line.")],
  },
  parallel: {
    label: said("Parallel"),
    points: 2,
    hints: [
      said("Point at a line or circle."),
      said("Point to where its parallel runs, or to its side when a size is given."),
    ],
  },
  redraw: {
    label: said("Other pen"),
    points: 1,
    hints: [said("Point at a line to draw it in the chosen pen.")],
  },
  hatch: {
    label: said("Hatch"),
    points: 1,
    hints: [said("Point into a closed region; once more takes its hatching away.")],
  },
  square: {
    label: said("Square to a line"),
    points: 2,
    hints: [
      said("Point at a line of any view, such as a slanted edge or a folding line."),
      said("Take a point: the thin line runs through it, square to that line."),
    ],
  },
  "set off": {
    label: said("Set off"),
    points: 4,
    hints: [
      said("Take the first end of the distance, on a folding line."),
      said("Take its other end, square to that line."),
      said("Point at the line from which it shall be set off."),
      said("To which side?"),
    ],
  },
  throw: {
    label: said("Throw across"),
    points: 2,
    hints: [
      said("Take a point of any view."),
      said("Move level or upright: the thin line crosses the whole sheet."),
    ],
  },
  mitre: {
    label: said("45° line"),
    points: 1,
    hints: [said("Set a point of the 45° line that carries depth between top and side view.")],
  },
  carry: {
    label: said("Carry a size"),
    points: 4,
    hints: [
      said("Take the first end of the size."),
      said("Take its other end."),
      said("From where shall it be set off?"),
      said("To which side?"),
    ],
  },
};

export function isDraftTool(tool: string): tool is DraftTool {
  return tool in TOOL_FACTS;
}

export const CHANGES: Record<Exclude<ChangeTool, "hatch">, Change["what"]> = {
  erase: "erase",
  trim: "trim",
  extend: "extend",
  parallel: "parallel",
  redraw: "pen",
};

/** Whether a tool carries something over with thin lines. */
export function isCarrying(tool: DraftTool): boolean {
  return (CARRY_TOOLS as readonly string[]).includes(tool);
}

export function isChangeTool(tool: DraftTool): tool is ChangeTool {
  return (CHANGE_TOOLS as readonly string[]).includes(tool);
}
