import type { Change } from "../../api/types";

export const DRAW_TOOLS = ["line", "rectangle", "circle", "arc"] as const;
export const CHANGE_TOOLS = ["erase", "trim", "extend", "parallel", "redraw"] as const;
export const CARRY_TOOLS = ["throw", "mitre", "carry"] as const;

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
    label: "Line",
    points: 2,
    hints: ["Set the pen down.", "Where does the line end? Shift keeps it level or upright."],
  },
  rectangle: {
    label: "Rectangle",
    points: 2,
    hints: ["Set the first corner.", "Set the opposite corner."],
  },
  circle: { label: "Circle", points: 2, hints: ["Set the centre.", "Set a point of the circle."] },
  arc: {
    label: "Arc",
    points: 3,
    hints: [
      "Set the centre.",
      "Set where the arc begins.",
      "Where does it end, counter-clockwise?",
    ],
  },
  erase: { label: "Erase", points: 1, hints: ["Point at the line to take away."] },
  trim: {
    label: "Trim",
    points: 1,
    hints: ["Point at the stretch to take away, between two crossing lines."],
  },
  extend: {
    label: "Extend",
    points: 1,
    hints: ["Point near the end that shall reach the next line."],
  },
  parallel: {
    label: "Parallel",
    points: 2,
    hints: [
      "Point at a line or circle.",
      "Point to where its parallel runs, or to its side when a size is given.",
    ],
  },
  redraw: {
    label: "Other pen",
    points: 1,
    hints: ["Point at a line to draw it in the chosen pen."],
  },
  throw: {
    label: "Throw across",
    points: 2,
    hints: [
      "Take a point of any view.",
      "Move level or upright: the thin line crosses the whole sheet.",
    ],
  },
  mitre: {
    label: "45° line",
    points: 1,
    hints: ["Set a point of the 45° line that carries depth between top and side view."],
  },
  carry: {
    label: "Carry a size",
    points: 4,
    hints: [
      "Take the first end of the size.",
      "Take its other end.",
      "From where shall it be set off?",
      "To which side?",
    ],
  },
};

export function isDraftTool(tool: string): tool is DraftTool {
  return tool in TOOL_FACTS;
}

export const CHANGES: Record<ChangeTool, Change["what"]> = {
  erase: "erase",
  trim: "trim",
  extend: "extend",
  parallel: "parallel",
  redraw: "pen",
};

export function isChangeTool(tool: DraftTool): tool is ChangeTool {
  return tool in CHANGES;
}
