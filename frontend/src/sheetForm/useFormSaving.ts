import { useCallback, useEffect, useRef, useState } from "react";

import { answer, api, ServiceError } from "../api/client";
import type { KeptForm, SheetForm } from "../api/types";
import type { SaveState } from "../bench/useDraft";

/** A form and its name, as they are edited. */
export interface Named {
  name: string;
  form: SheetForm;
}

const QUIET_MS = 700;
const RETRY_MS = 4000;

const keyOf = (id: number): string => `maqueta-sheet-form-${id}`;

/** What this browser kept of a form that was never saved; null where the service has it, or a later one. */
export function keptHere(kept: KeptForm): Named | null {
  try {
    const own = JSON.parse(localStorage.getItem(keyOf(kept.id)) ?? "null") as
      | (Named & { base: number })
      | null;
    return own?.base === kept.revision ? { name: own.name, form: own.form } : null;
  } catch {
    return null;
  }
}

/** Saves a form whenever it has been left alone for a moment; until then this browser keeps it. */
export function useFormSaving(kept: KeptForm, now: Named) {
  const [save, setSave] = useState<SaveState>({ kind: "saved", at: null });
  const base = useRef(kept.revision);
  const saved = useRef<Named>(
    // What only this browser has is saved at once.
    now.form === kept.form && now.name === kept.name ? now : { name: "", form: kept.form },
  );
  const newest = useRef(now);
  const busy = useRef(false);
  const savedAt = useRef<Date | null>(null);
  useEffect(() => {
    newest.current = now;
  }, [now]);

  const saveNow = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      while (saved.current !== newest.current) {
        const sending = newest.current;
        setSave({ kind: "saving" });
        const done = await answer(
          api.PUT("/api/sheet-forms/{form_id}", {
            params: { path: { form_id: kept.id } },
            body: { ...sending, name: sending.name.trim() || kept.name, base: base.current },
          }),
        );
        base.current = done.revision;
        saved.current = sending;
        if (newest.current === sending) localStorage.removeItem(keyOf(kept.id));
        savedAt.current = new Date();
        setSave({ kind: "saved", at: savedAt.current });
      }
    } catch (error) {
      if (error instanceof ServiceError && error.status === 409)
        setSave({ kind: "conflict", revision: Number(error.detail["revision"] ?? 0) });
      else setSave({ kind: "unsaved", why: (error as Error).message });
    } finally {
      busy.current = false;
    }
  }, [kept.id, kept.name]);

  useEffect(() => {
    if (save.kind === "conflict") return;
    if (now === saved.current) {
      // Undone before it was sent: what the service has is what is here.
      if ((save.kind !== "saving" && save.kind !== "unsaved") || busy.current) return;
      localStorage.removeItem(keyOf(kept.id));
      setSave({ kind: "saved", at: savedAt.current });
      return;
    }
    localStorage.setItem(keyOf(kept.id), JSON.stringify({ ...now, base: base.current }));
    setSave((state) => (state.kind === "saved" ? { kind: "saving" } : state));
    const timer = setTimeout(() => void saveNow(), QUIET_MS);
    return () => clearTimeout(timer);
  }, [kept.id, now, save.kind, saveNow]);
  useEffect(() => {
    if (save.kind !== "unsaved") return;
    const timer = setInterval(() => void saveNow(), RETRY_MS);
    return () => clearInterval(timer);
  }, [save.kind, saveNow]);

  /** Two tabs have changed the form: keep what is here over the other. */
  const keepMine = () => {
    if (save.kind !== "conflict") return;
    base.current = save.revision;
    setSave({ kind: "saving" });
    void saveNow();
  };
  /** Take what the other tab has kept; what is here goes. */
  const takeTheirs = () => {
    localStorage.removeItem(keyOf(kept.id));
    window.location.reload();
  };
  return { save, saveNow, keepMine, takeTheirs };
}
