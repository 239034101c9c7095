import { answer, api } from "../api/client";
import type { Draft, SheetDocument } from "../api/types";

/** Where a sheet on the bench is kept: a student's own, the model answer of an exercise, or a correction. */
export interface DraftCalls {
  /** Under what name this browser keeps a copy until it is saved. */
  key: string;
  load: () => Promise<Draft>;
  save: (document: SheetDocument, base: number) => Promise<Draft>;
}

/** Under what name this browser keeps a student's own sheet until it is saved. */
export function draftKey(exercise: number, login: string): string {
  return `maqueta-draft-${login}-${exercise}`;
}

export function ownSheet(exercise: number, login: string): DraftCalls {
  const params = { path: { exercise_id: exercise } };
  return {
    key: draftKey(exercise, login),
    load: () => answer(api.GET("/api/exercises/{exercise_id}/sheet", { params })),
    save: (document, base) =>
      answer(api.PUT("/api/exercises/{exercise_id}/sheet", { params, body: { document, base } })),
  };
}

export function modelAnswer(exercise: number, login: string): DraftCalls {
  const params = { path: { exercise_id: exercise } };
  return {
    key: `maqueta-answer-${login}-${exercise}`,
    load: () => answer(api.GET("/api/exercises/{exercise_id}/answer", { params })),
    save: (document, base) =>
      answer(api.PUT("/api/exercises/{exercise_id}/answer", { params, body: { document, base } })),
  };
}

/** What a student's sheet is corrected to, in how its file was read. */
export function correctedReading(sheet: number, login: string): DraftCalls {
  const params = { path: { sheet_id: sheet } };
  return {
    key: `maqueta-correction-${login}-${sheet}`,
    load: () => answer(api.GET("/api/sheets/{sheet_id}/correction", { params })),
    save: (document, base) =>
      answer(api.PUT("/api/sheets/{sheet_id}/correction", { params, body: { document, base } })),
  };
}
