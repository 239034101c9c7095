import type {
  Dimension,
  Exercise,
  Ink,
  Paper,
  Point,
  Sheet,
  SheetDocument,
  Side,
} from "../api/types";
import { type Point3, tidy, type Unit } from "./geometry";
import { isGivenKind, isOfParts } from "../exercise/kinds";
import type { Reader } from "../reader/useReader";
import type { Drafting } from "./drafting/useDrafting";
import type { DraftTool } from "./drafting/tools";
import type { BenchDraft } from "./useDraft";
import { type RowManner, stackOf } from "./rows";
import { kinOf, withoutView } from "./viewGraph";

export const STAGES = [
  "Paper",
  "Front",
  "Views",
  "Lines",
  "Dimensions",
  "Parts",
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
  | "row"
  | "diameter"
  | "radius"
  | "angle"
  | "chamfer"
  | "leader"
  | "balloon"
  | "cutting line"
  | "circled region"
  | "folding line"
  | DraftTool;

export interface Selection {
  role:
    | "view"
    | "dimension"
    | "mark"
    | "cutting-line"
    | "circled"
    | "sight-arrow"
    | "balloon"
    | "parts-list"
    | "note";
  id: string;
}

/** Whose desk a sheet is worked on at: what is asked of the service about an exercise, or of a student's sheet. */
export interface DeskParams {
  path: { exercise_id: number };
  query: { sheet?: number };
}

/** What every stage works with. */
export interface Bench {
  exercise: Exercise;
  params: DeskParams;
  /** Whether an instructor works here: nothing is given, nothing is handed in. */
  answering: boolean;
  /** A student's sheet that is corrected in how its file was read; else it is the model answer an instructor makes. */
  sheet: Sheet | null;
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
  /** Whether the file the sheet was read from lies under it. */
  filed: boolean;
  setFiled: (on: boolean) => void;
  /** The place on the sheet that is spoken of beside it. */
  spokenOf: Point | null;
  speakOf: (at: Point | null) => void;
  reader: Reader;
  snapping: boolean;
  setSnapping: (on: boolean) => void;
  /** Whether a view that is moved takes along those that are folded out from it. */
  kin: boolean;
  setKin: (on: boolean) => void;
  /** How the sizes of a row are taken. */
  rowManner: RowManner;
  setRowManner: (manner: RowManner) => void;
  /** Whether parts are pulled apart along the axes alone. */
  alongAxes: boolean;
  setAlongAxes: (on: boolean) => void;
  /** Whether a dimension that is moved takes along those beside the same side of its view. */
  rowsTogether: boolean;
  setRowsTogether: (on: boolean) => void;
  /** The view that hangs on the pointer until it is set down. */
  hanging: string | null;
  hang: (id: string | null) => void;
  /** How many checks are left before the sheet is handed in. */
  /** None where there is no end of them. */
  checksLeft: number | null;
  onChecked: (left: number | null) => void;
  /** The view that is looked over just now, alone and from near. */
  looking: string | null;
  lookOver: (id: string | null) => void;
}

/** Whether the views are set out for the student, with something left to draw. */
export function isGiven({ task }: Exercise): boolean {
  return isGivenKind(task.drafting.kind);
}

const OF_PARTS: readonly Stage[] = ["Paper", "Parts", "Title", "Looking over", "Hand in"];

/** The stages an exercise needs. */
export function stagesOf({ exercise, answering }: Bench): Stage[] {
  if (isOfParts(exercise.task))
    return OF_PARTS.filter((stage) => !answering || stage !== "Hand in");
  if (answering) return STAGES.filter((stage) => stage !== "Hand in" && stage !== "Parts");
  if (!isGiven(exercise)) return STAGES.filter((stage) => stage !== "Parts");
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
  const left = ["third view", "special view"].includes(exercise.task.drafting.kind);
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
  if (role === "cutting-line")
    return { ...document, cutting_lines: document.cutting_lines.filter((c) => c.id !== id) };
  if (role === "circled")
    return { ...document, circled: document.circled.filter((c) => c.id !== id) };
  if (role === "sight-arrow")
    return { ...document, sight_arrows: document.sight_arrows.filter((a) => a.id !== id) };
  if (role === "balloon")
    return { ...document, balloons: document.balloons.filter((b) => b.id !== id) };
  if (role === "parts-list") return { ...document, parts_list: null };
  const elsewhere = (thing: { view: string }) => thing.view !== id;
  return {
    ...document,
    views: withoutView(document.views, id),
    dimensions: document.dimensions.filter(elsewhere),
    marks: document.marks.filter(elsewhere),
    cutting_lines: document.cutting_lines.filter(elsewhere),
    circled: document.circled.filter(elsewhere),
    sight_arrows: document.sight_arrows.filter(elsewhere),
    balloons: document.balloons.filter((balloon) => balloon.view !== id),
  };
}

/** What is moved with what is taken hold of: a view with its kin, a dimension with its rows, or nothing else. */
export function movedWith(bench: Bench, { role, id }: Selection): ReadonlySet<string> {
  if (role === "view" && bench.kin) return kinOf(bench.document.views, id);
  if (role === "dimension" && bench.rowsTogether) return stackOf(bench.document, bench.ink, id);
  return new Set([id]);
}

/** Move what is selected by sheet millimetres, and what goes with it. */
export function moved(
  document: SheetDocument,
  { role, id }: Selection,
  dx: number,
  dy: number,
  going: ReadonlySet<string> = new Set([id]),
): SheetDocument {
  const shift = ([x, y]: Point): Point => [tidy(x + dx), tidy(y + dy)];
  const stays = (thing: { id: string }) => !going.has(thing.id);
  if (role === "view")
    return {
      ...document,
      views: document.views.map((v) => (stays(v) ? v : { ...v, at: shift(v.at) })),
      balloons: document.balloons.map((b) =>
        b.tip && b.view && going.has(b.view) ? { ...b, tip: shift(b.tip) } : b,
      ),
    };
  if (role === "balloon")
    return {
      ...document,
      balloons: document.balloons.map((b) => (stays(b) ? b : { ...b, at: shift(b.at) })),
    };
  if (role === "parts-list" && document.parts_list)
    return {
      ...document,
      parts_list: { ...document.parts_list, at: shift(document.parts_list.at) },
    };
  if (role === "note")
    return {
      ...document,
      notes: document.notes.map((n) => (stays(n) ? n : { ...n, at: shift(n.at) })),
    };
  if (role === "dimension")
    return {
      ...document,
      dimensions: document.dimensions.map((d) =>
        stays(d) ? d : carried({ ...d, place: shift(d.place) }, shift),
      ),
    };
  return document;
}

/** A text on a leader goes where its dimension goes. */
function carried(dimension: Dimension, shift: (point: Point) => Point): Dimension {
  if (dimension.kind !== "linear" || !dimension.led) return dimension;
  return { ...dimension, led: shift(dimension.led) };
}
