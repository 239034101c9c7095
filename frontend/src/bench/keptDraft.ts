import { ServiceError, answer, api } from "../api/client";
import type { Draft, SheetDocument } from "../api/types";

/** A draft this browser keeps until it is saved, made from a revision of the service's. */
export interface KeptDraft {
  base: number;
  document: SheetDocument;
}

/** What this browser keeps, if anything that can be read. */
export function keptDraft(key: string): KeptDraft | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "null") as KeptDraft | null;
  } catch {
    return null;
  }
}

export function keepDraft(key: string, base: number, document: SheetDocument): void {
  localStorage.setItem(key, JSON.stringify({ base, document } satisfies KeptDraft));
}

/** Has what was kept in a former format opened by the service, before anybody reads it. */
export async function openFormer(key: string, { document: { format } }: Draft): Promise<void> {
  const kept = keptDraft(key);
  // A document of this format may still be older than some of its parts.
  const complete = (document: object) =>
    ["cutting_lines", "circled", "balloons", "trails"].every((own) => own in document);
  if (!kept || (kept.document.format === format && complete(kept.document))) return;
  try {
    const body = { document: kept.document };
    keepDraft(key, kept.base, await answer(api.POST("/api/documents", { body })));
  } catch (error) {
    if (!(error instanceof ServiceError) || error.status !== 422) throw error;
    // It cannot be opened: put aside, so that it neither stops the bench nor is lost.
    localStorage.setItem(`${key}-former`, localStorage.getItem(key) ?? "");
    localStorage.removeItem(key);
  }
}
