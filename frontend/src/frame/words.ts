import type { Criterion, Task } from "../api/types";
import type { Attitude } from "../turntable/attitude";
import { locale, said, t, written } from "./language";

export const CRITERIA: { id: Criterion; label: string }[] = [
  { id: "front", label: said("Front") },
  { id: "angle", label: said("criterion|Angle") },
  { id: "views", label: said("Views") },
  { id: "alignment", label: said("Alignment") },
  { id: "lines", label: said("Lines") },
  { id: "scale", label: said("Scale") },
  { id: "dimensions", label: said("Dimensions") },
  { id: "placement", label: said("Placement") },
  { id: "layout", label: said("Layout") },
  { id: "title", label: said("criterion|Title") },
  { id: "pictorial", label: said("Pictorial") },
  { id: "section", label: said("Sections") },
  { id: "detail", label: said("Details") },
  { id: "auxiliary", label: said("Auxiliary views") },
  { id: "assembly", label: said("criterion|Assembly") },
  { id: "set", label: said("Set of sheets") },
];

/** Those points are given for: how a sheet fits among others only where it is one of a set, and counts. */
export function criteriaOf(points: Partial<Record<Criterion, number>>): typeof CRITERIA {
  return CRITERIA.filter((own) => own.id !== "set" || (points.set ?? 0) > 0);
}

/** Criteria that are shown only where there is something to say of them: most sheets have no such views. */
export const SPECIAL: readonly Criterion[] = ["section", "detail", "auxiliary", "assembly", "set"];

export function criterionLabel(id: Criterion): string {
  const known = CRITERIA.find((c) => c.id === id);
  return known ? t(known.label) : id;
}

export function dayAndTime(iso: string): string {
  return new Intl.DateTimeFormat(locale(), {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  }).format(new Date(iso));
}

export function points(value: number): string {
  return written(value, 1);
}

const VIEWS: Record<string, [string, string]> = {
  front: [said("front"), said("front view")],
  top: [said("top"), said("top view")],
  right: [said("right"), said("right view")],
  left: [said("left"), said("left view")],
  bottom: [said("bottom"), said("bottom view")],
  rear: [said("rear"), said("rear view")],
  auxiliary: [said("auxiliary"), said("auxiliary view")],
  section: [said("section"), said("section view")],
  detail: [said("detail"), said("detail view")],
  pictorial: [said("pictorial"), said("pictorial view")],
  unrecognised: [said("unrecognised"), said("unrecognised view")],
};

/** A view in one word: "front". */
export function viewLabel(name: string): string {
  return t(VIEWS[name]?.[0] ?? name);
}

/** A view by its whole name: "front view". */
export function viewWords(name: string): string {
  return t(VIEWS[name]?.[1] ?? name);
}

const ENDS: Record<Side, [string, string]> = {
  "left side": [said("left"), said("the left side")],
  "right side": [said("right"), said("the right side")],
  base: [said("base"), said("the base")],
  top: [said("top"), said("the top")],
  rear: [said("rear"), said("the rear")],
  front: [said("front"), said("the front")],
};

/** Where width, height or depth begins or ends, in one word. */
export function sideLabel(side: Side): string {
  return t(ENDS[side][0]);
}

/** Where width, height or depth begins or ends, after a preposition. */
export function sideNamed(side: Side): string {
  return t(ENDS[side][1]);
}

export function angleWords(angle: Task["angle"]): string {
  return angle === "first" ? t("first angle") : t("third angle");
}

/** How a part is seen: which side, and what points up. */
export function attitudeWords({ side, up }: Attitude): string {
  return `${side.replace("-", "−")}, ${t("{{up}} up", { up: up.replace("-", "−") })}`;
}

const FIELDS: Record<Task["title_fields"][number], string> = {
  title: said("title"),
  drafter: said("drafter"),
  class: said("class"),
  date: said("date"),
  scale: said("scale"),
  sheet: said("sheet"),
  number: said("number"),
  material: said("material"),
  unit: said("unit"),
  paper: said("paper"),
  tolerances: said("general tolerances"),
  revision: said("revision"),
  checked: said("checked"),
  angle: said("angle symbol"),
};

/** What a field of the title block is called. */
export function fieldLabel(field: Task["title_fields"][number]): string {
  return t(FIELDS[field]);
}

/** A word as it begins a line. */
export function capital(word: string): string {
  return word.charAt(0).toUpperCase() + word.slice(1);
}

/** Words that data brings along: a few choices, states and units. */
const TERMS = {
  mm: said("mm"),
  inch: said("inch"),
  none: said("none"),
  first: said("first"),
  third: said("third"),
  landscape: said("landscape"),
  portrait: said("portrait"),
  required: said("required"),
  allowed: said("allowed"),
  unwanted: said("unwanted"),
  plain: said("plain"),
  counterbore: said("counterbore"),
  countersink: said("countersink"),
  student: said("student"),
  instructor: said("instructor"),
  admin: said("admin"),
  upheld: said("upheld"),
  waived: said("waived"),
  returned: said("returned"),
  decided: said("decided"),
  waiting: said("waiting"),
  error: said("error"),
  warning: said("warning"),
  note: said("note"),
  width: said("width"),
  height: said("height"),
  depth: said("depth"),
  length: said("length"),
  shape: said("shape"),
  hidden: said("hidden"),
  natural: said("natural"),
  visible: said("visible"),
  centre: said("centre"),
  thin: said("thin"),
  across: said("across"),
  up: said("up"),
  aligned: said("straight"),
  size: said("size"),
  diameter: said("diameter"),
  radius: said("radius"),
  angle: said("angle"),
  chamfer: said("chamfer"),
  linear: said("size"),
  "centre mark": said("centre mark"),
  "centre line": said("centre line"),
  "cutting line": said("cutting line"),
  "circled region": said("circle about a region"),
  "folding line": said("folding line"),
  "even gaps": said("even gaps"),
  construction: said("true shapes step by step"),
  "parts list": said("the parts list filled in"),
  balloon: said("balloon"),
  rows: said("even rows"),
  "centre lines": said("centre lines"),
  scale: said("scale"),
  principal: said("principal"),
  auxiliary: said("auxiliary"),
  section: said("section"),
  detail: said("detail"),
  unrecognised: said("unrecognised"),
  end: said("end"),
  middle: said("middle"),
  crossing: said("crossing"),
  "alike view": said("views in one place"),
  "alike dimension": said("sizes in one place"),
  "alike note": said("notes in one place"),
  "alike text": said("sizes typed over alike"),
  beside: said("beside it"),
  under: said("under it"),
  practice: said("practice"),
  homework: said("homework"),
  test: said("test"),
  "attempt best": said("the best attempt"),
  "attempt last": said("the last attempt"),
  "attempt mean": said("the mean of all attempts"),
  "sheets all": said("all sheets"),
  "sheets waiting": said("still to decide"),
  "sheets decided": said("decided, not returned"),
  "sheets returned": said("returned"),
  "sheets late": said("late ones"),
  "sheets answered": said("with an answer"),
  "sheets small": said("overview"),
  "sheets usual": said("usual"),
  "sheets large": said("to read"),
  "by name": said("by name"),
  "by mark": said("by mark"),
  "by findings": said("by number of findings"),
  "by handed in": said("by time handed in"),
  "by group": said("by group"),
  "by alike": said("by likeness of mistakes"),
} as const;

/** A word that data brings along, in the language that is read. */
export function term(word: string): string {
  return t(TERMS[word as keyof typeof TERMS] ?? word);
}

/** Choices as fields want them, each in the language that is read. */
export function terms<Word extends string>(
  words: readonly Word[],
): { value: Word; label: string }[] {
  return words.map((word) => ({ value: word, label: term(word) }));
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
  "tolerances",
  "revision",
  "checked",
];

/** Those the program can fill in for a student. */
export const FILLED_FIELDS: Task["title_filled"] = [
  "drafter",
  "class",
  "date",
  "scale",
  "sheet",
  "material",
  "unit",
  "paper",
];

/** The sides between which width, height and depth of a front view run. */
export const SIDES = {
  width: ["left side", "right side"],
  height: ["base", "top"],
  depth: ["rear", "front"],
} as const;

export type Side = (typeof SIDES)[keyof typeof SIDES][number];
