import type { Exercise, Ink, Paper, SheetDocument, Side } from "../api/types";
import type { Point3, Unit } from "./geometry";
import { isGivenKind } from "../exercise/kinds";
import type { Reader } from "../reader/useReader";
import type { Drafting } from "./drafting/useDrafting";
import { type DraftTool } from "./drafting/tools";
import type { BenchDraft } from "./useDraft";
import { kinOf, withoutView } from "./viewGraph";

export const STAGES = [
  "Paper",
  "Front",
  "Views",
  "Lines",
  "Dimensions",
  "Title",
  "Looking over",
  "Hand in",
] as const;
export type Stage = (typeof STAGES)[number];

export type Tool =
  | "move"
  | "centre mark"
  | "centre line"
  | "size"
  | "diameter"
  | "radius"
  | "angle"
  | "chamfer"
  | "leader"
  | DraftTool;

export interface Selection {
  role: "view" | "dimension" | "mark" | "note";
  id: string;
}

/** What every stage works with. */
export interface Bench {
  exercise: Exercise;
  /** Whether an instructor makes the model answer here: nothing is given, nothing is handed in. */
  answering: boolean;
  draft: BenchDraft;
  document: SheetDocument;
  ink: Ink | null;
  paper: Paper | null;
  unit: Unit;
  /** Middle of the part's bounding box, and the direction that is up in pictorial views. */
  middle: Point3;
  /** Its extents along x, y, z in its unit. */
  extents: Point3;
  up: Side;
  tool: Tool;
  setTool: (tool: Tool) => void;
  selection: Selection | null;
  select: (selection: Selection | null) => void;
  drafting: Drafting;
  /** Whether the white space between the views is measured. */
  spaces: boolean;
  setSpaces: (on: boolean) => void;
  reader: Reader;
  snapping: boolean;
  setSnapping: (on: boolean) => void;
  /** Whether a view that is moved takes along those that are folded out from it. */
  kin: boolean;
  setKin: (on: boolean) => void;
  /** The view that hangs on the pointer until it is set down. */
  hanging: string | null;
  hang: (id: string | null) => void;
  /** The view that is looked over just now, alone and from near. */
  looking: string | null;
  lookOver: (id: string | null) => void;
}

/** Whether the views are set out for the student, with something left to draw. */
export function isGiven({ task }: Exercise): boolean {
  return isGivenKind(task.drafting.kind);
}

/** The stages an exercise needs. */
export function stagesOf({ exercise, answering }: Bench): Stage[] {
  if (answering) return STAGES.filter((stage) => stage !== "Hand in");
  if (!isGiven(exercise)) return [...STAGES];
  return STAGES.filter(
    (stage) =>
      stage === "Lines" ||
      stage === "Looking over" ||
      stage === "Hand in" ||
      (stage === "Dimensions" && exercise.task.dimensioning.required) ||
      (stage === "Title" &&
        (exercise.task.title_fields.length > 0 || exercise.task.sheet_name !== null)),
  );
}

/** Whether what is selected is part of what was given: it cannot be moved. */
export function isFixed(bench: Bench, { role, id }: Selection): boolean {
  const { exercise, document, answering } = bench;
  if (role !== "view" || answering || !isGiven(exercise)) return false;
  const left = exercise.task.drafting.kind === "third view";
  return !(left && document.views.find((v) => v.id === id)?.lines);
}

/** Fields of the title block that are asked for and empty. */
export function emptyFields({ document, exercise }: Pick<Bench, "document" | "exercise">) {
  const filled: readonly string[] = exercise.task.title_filled;
  return exercise.task.title_fields.filter((field) =>
    field === "angle"
      ? !document.title.angle
      : !filled.includes(field) && !document.title.fields[field]?.trim(),
  );
}

/** Remove what is selected, with everything that hangs on it. */
export function without(document: SheetDocument, { role, id }: Selection): SheetDocument {
  if (role === "dimension")
    return { ...document, dimensions: document.dimensions.filter((d) => d.id !== id) };
  if (role === "note") return { ...document, notes: document.notes.filter((n) => n.id !== id) };
  if (role === "mark") return { ...document, marks: document.marks.filter((m) => m.id !== id) };
  return {
    ...document,
    views: withoutView(document.views, id),
    dimensions: document.dimensions.filter((d) => d.view !== id),
    marks: document.marks.filter((m) => m.view !== id),
  };
}

/** Move what is selected by sheet millimetres; a view with its kin, those that are folded out from it, or alone. */
export function moved(
  document: SheetDocument,
  { role, id }: Selection,
  dx: number,
  dy: number,
  withKin = false,
): SheetDocument {
  const shift = ([x, y]: [number, number]): [number, number] => [
    Math.round((x + dx) * 1000) / 1000,
    Math.round((y + dy) * 1000) / 1000,
  ];
  if (role === "view") {
    const going = withKin ? kinOf(document.views, id) : new Set([id]);
    return {
      ...document,
      views: document.views.map((v) => (going.has(v.id) ? { ...v, at: shift(v.at) } : v)),
    };
  }
  if (role === "note")
    return {
      ...document,
      notes: document.notes.map((n) => (n.id === id ? { ...n, at: shift(n.at) } : n)),
    };
  if (role === "dimension")
    return {
      ...document,
      dimensions: document.dimensions.map((d) =>
        d.id === id ? { ...d, place: shift(d.place) } : d,
      ),
    };
  return document;
}
