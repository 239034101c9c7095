import type { Criterion, Task } from "../api/types";

export const CRITERIA: { id: Criterion; label: string }[] = [
  { id: "front", label: "Front" },
  { id: "angle", label: "Angle" },
  { id: "views", label: "Views" },
  { id: "alignment", label: "Alignment" },
  { id: "lines", label: "Lines" },
  { id: "scale", label: "Scale" },
  { id: "dimensions", label: "Dimensions" },
  { id: "placement", label: "Placement" },
  { id: "layout", label: "Layout" },
  { id: "title", label: "Title" },
];

export function criterionLabel(id: Criterion): string {
  return CRITERIA.find((c) => c.id === id)?.label ?? id;
}

const DAY = new Intl.DateTimeFormat("en-GB", {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});

export function dayAndTime(iso: string): string {
  return DAY.format(new Date(iso));
}

export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

export function points(value: number): string {
  return Number(value.toFixed(1)).toString();
}

export const PAPERS: Task["paper"][] = [
  "A4",
  "A3",
  "A2",
  "A1",
  "A0",
  "ANSI A",
  "ANSI B",
  "ANSI C",
  "ANSI D",
];

export const TITLE_FIELDS: Exclude<Task["title_fields"][number], "angle">[] = [
  "title",
  "drafter",
  "class",
  "date",
  "scale",
  "sheet",
  "number",
  "material",
  "unit",
  "paper",
  "checked",
];

/** The sides between which width, height and depth of a front view run. */
export const SIDES = {
  width: ["left side", "right side"],
  height: ["base", "top"],
  depth: ["rear", "front"],
} as const;
