import { answer, api } from "../api/client";
import type { Draft, SheetDocument } from "../api/types";

/** Where a sheet on the bench is kept: a student's own, or the model answer of an exercise. */
export interface DraftCalls {
  /** Under what name this browser keeps a copy until it is saved. */
  key: string;
  load: () => Promise<Draft>;
  save: (document: SheetDocument, base: number) => Promise<Draft>;
}

export function ownSheet(exercise: number, login: string): DraftCalls {
  const params = { path: { exercise_id: exercise } };
  return {
    key: `maqueta-draft-${login}-${exercise}`,
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
