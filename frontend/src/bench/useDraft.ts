import { useCallback, useEffect, useRef, useState } from "react";

import { ServiceError } from "../api/client";
import type { Draft, SheetDocument } from "../api/types";
import { type KeptDraft, keepDraft, keptDraft, openFormer } from "./keptDraft";
import type { DraftCalls } from "./draftCalls";

interface History {
  past: SheetDocument[];
  now: SheetDocument;
  future: SheetDocument[];
}

export type SaveState =
  | { kind: "saved"; at: Date | null }
  | { kind: "saving" }
  | { kind: "unsaved"; why: string }
  | { kind: "closed"; why: string }
  | { kind: "conflict"; revision: number };

const QUIET_MS = 600;
const RETRY_MS = 4000;
const DEPTH = 200;

/** Equal contents, whatever the order of keys. */
function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== "object" || typeof b !== "object" || !a || !b) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(left);
  return keys.length === Object.keys(right).length && keys.every((k) => same(left[k], right[k]));
}

/** What this browser kept, unless the service has it already: a reload may overtake the answer to a save. */
function unsaved(key: string, draft: Draft): KeptDraft | null {
  const kept = keptDraft(key);
  if (!kept || !same(kept.document, draft.document)) return kept;
  localStorage.removeItem(key);
  return null;
}

/** A sheet with undo and redo; saves itself, and keeps a copy in this browser until it is saved. */
export function useDraft(calls: DraftCalls, draft: Draft) {
  const { key } = calls;
  const [history, setHistory] = useState<History>(() => {
    const kept = unsaved(key, draft);
    const ours = kept && kept.base === draft.revision;
    return {
      past: ours ? [draft.document] : [],
      now: ours ? kept.document : draft.document,
      future: [],
    };
  });
  const [save, setSave] = useState<SaveState>(() => {
    const kept = unsaved(key, draft);
    if (kept && kept.base < draft.revision) return { kind: "conflict", revision: draft.revision };
    return { kind: "saved", at: draft.saved_at ? new Date(draft.saved_at) : null };
  });
  const revision = useRef(draft.revision);
  const savedDocument = useRef(draft.document);
  const busy = useRef<Promise<boolean> | null>(null);
  const document = history.now;
  const newest = useRef(document);
  useEffect(() => {
    newest.current = document;
  }, [document]);

  /** What is changed is not said to be saved for a moment. */
  const alter = useCallback((next: (h: History) => History) => {
    setHistory(next);
    setSave((state) => (state.kind === "saved" ? { kind: "saving" } : state));
  }, []);
  const change = useCallback(
    (next: SheetDocument | ((now: SheetDocument) => SheetDocument)) =>
      alter((h) => {
        const now = typeof next === "function" ? next(h.now) : next;
        if (now === h.now) return h;
        return { past: [...h.past.slice(-DEPTH), h.now], now, future: [] };
      }),
    [alter],
  );
  const undo = useCallback(
    () =>
      alter((h) => {
        const last = h.past[h.past.length - 1];
        return last ? { past: h.past.slice(0, -1), now: last, future: [h.now, ...h.future] } : h;
      }),
    [alter],
  );
  const redo = useCallback(
    () =>
      alter((h) => {
        const [first, ...rest] = h.future;
        return first ? { past: [...h.past, h.now], now: first, future: rest } : h;
      }),
    [alter],
  );

  /** Keep what is on the bench; whether the service has all of it now. */
  const saveNow = useCallback(async (): Promise<boolean> => {
    if (busy.current) return busy.current;
    const work = async () => {
      while (savedDocument.current !== newest.current) {
        const sending = newest.current;
        setSave({ kind: "saving" });
        try {
          const kept = await calls.save(sending, revision.current);
          revision.current = kept.revision;
          savedDocument.current = sending;
          if (newest.current === sending) localStorage.removeItem(key);
          else keepDraft(key, kept.revision, newest.current);
          savedAt.current = new Date();
          setSave({ kind: "saved", at: savedAt.current });
        } catch (error) {
          const status = error instanceof ServiceError ? error.status : 0;
          if (status === 409) {
            const detail = (error as ServiceError).detail as { revision?: number };
            setSave({ kind: "conflict", revision: detail.revision ?? 0 });
          } else {
            // What is refused for good is kept here all the same, and tried again with the next change only.
            setSave({ kind: status === 403 ? "closed" : "unsaved", why: (error as Error).message });
          }
          return false;
        }
      }
      return true;
    };
    busy.current = work().finally(() => {
      busy.current = null;
    });
    return busy.current;
  }, [calls, key]);

  const savedAt = useRef(draft.saved_at ? new Date(draft.saved_at) : null);
  useEffect(() => {
    if (save.kind === "conflict") return;
    if (document === savedDocument.current) {
      // Undone before it was sent: what the service has is what is here.
      if ((save.kind !== "saving" && save.kind !== "unsaved") || busy.current) return;
      localStorage.removeItem(key);
      setSave({ kind: "saved", at: savedAt.current });
      return;
    }
    keepDraft(key, revision.current, document);
    setSave((state) => (state.kind === "saved" ? { kind: "saving" } : state));
    const timer = setTimeout(() => void saveNow(), QUIET_MS);
    return () => clearTimeout(timer);
  }, [document, key, save.kind, saveNow]);
  useEffect(() => {
    if (save.kind !== "unsaved") return;
    const timer = setInterval(() => void saveNow(), RETRY_MS);
    return () => clearInterval(timer);
  }, [save.kind, saveNow]);

  /** Settle a conflict between two tabs: keep what is here, or take what the service has. */
  const settle = useCallback(
    async (mine: boolean) => {
      const other = await calls.load();
      // The other tab may still be of a version before, and write what it keeps in its own format.
      await openFormer(key, other);
      revision.current = other.revision;
      savedDocument.current = other.document;
      setSave(
        mine
          ? { kind: "saving" }
          : { kind: "saved", at: other.saved_at ? new Date(other.saved_at) : null },
      );
      if (mine) {
        const kept = unsaved(key, other);
        if (kept) change({ ...kept.document });
        else change((now) => ({ ...now }));
      } else {
        localStorage.removeItem(key);
        change(other.document);
        savedDocument.current = other.document;
      }
    },
    [calls, change, key],
  );

  return {
    document,
    change,
    undo: history.past.length ? undo : null,
    redo: history.future.length ? redo : null,
    save,
    saveNow,
    settle,
    revision,
    forget: () => localStorage.removeItem(key),
  };
}

export type BenchDraft = ReturnType<typeof useDraft>;
