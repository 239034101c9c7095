import type { InkItem } from "../api/types";

type Pen = Extract<InkItem, { kind: "stroke" }>["pen"];

interface PenStyle {
  stroke: string;
  strokeWidth: number;
  strokeLinecap?: "round" | "butt";
  strokeDasharray?: string;
}

/** Line widths and dashes in mm, as the service draws them on paper (see drawing/pens.py). */
export const PENS: Record<Pen, PenStyle> = {
  visible: { stroke: "currentColor", strokeWidth: 0.5, strokeLinecap: "round" },
  hidden: { stroke: "currentColor", strokeWidth: 0.25, strokeDasharray: "3 0.75" },
  smooth: { stroke: "currentColor", strokeWidth: 0.25 },
  centre: { stroke: "currentColor", strokeWidth: 0.25, strokeDasharray: "6 0.75 0.125 0.75" },
  dimension: { stroke: "currentColor", strokeWidth: 0.25, strokeLinecap: "round" },
  hatching: { stroke: "currentColor", strokeWidth: 0.25, strokeLinecap: "round" },
  border: { stroke: "currentColor", strokeWidth: 0.7 },
  construction: { stroke: "#6f8796", strokeWidth: 0.18 },
  grid: { stroke: "currentColor", strokeWidth: 0.35 },
};

/** Font size per height of capitals of Maqueta Lettering (1024 units per em, capitals 736). */
export const FONT_EM_PER_CAPITAL = 1024 / 736;
