import { useState } from "react";

import { answer, api } from "../api/client";
import type { FormField, KeptForm, Point, SheetForm } from "../api/types";
import { t } from "../frame/language";
import { complain } from "../frame/tell";
import { useHistory } from "../frame/useHistory";
import { type Chosen, isThere, moved, without } from "./form";
import { keptHere, type Named } from "./useFormSaving";

/** What the pointer does on the form. */
export type FormTool = { kind: "take" | "line" | "text" } | { kind: "field"; field: FormField };

/** A form being drawn: what is chosen, with which tool, and what can be done to it. */
export function useFormEditor(kept: KeptForm) {
  const { now, change, undo, redo } = useHistory<Named>(
    keptHere(kept) ?? { name: kept.name, form: kept.form },
  );
  const [tool, setTool] = useState<FormTool>({ kind: "take" });
  const [chosen, choose] = useState<Chosen | null>(null);
  const [captioned, setCaptioned] = useState(true);
  const { form } = now;
  const changeForm = (next: (form: SheetForm) => SheetForm) =>
    change((all) => {
      const changed = next(all.form);
      return changed === all.form ? all : { ...all, form: changed };
    });
  const valid = isThere(form, chosen) ? chosen : null;
  const setName = (name: string) => change((all) => ({ ...all, name }));
  const addLine = (start: Point, end: Point) => {
    changeForm((own) => ({ ...own, lines: [...own.lines, { start, end, pen: "grid" }] }));
    choose({ kind: "line", index: form.lines.length });
  };
  const addText = (at: Point) => {
    const text = { text: t("TEXT"), at, height: 2.5, anchor: "start" as const, turn: 0 };
    changeForm((own) => ({ ...own, texts: [...own.texts, text] }));
    choose({ kind: "text", index: form.texts.length });
    setTool({ kind: "take" });
  };
  /** Puts a field into the cell around a point; the service knows the cells. */
  const putField = async (field: FormField, at: Point) => {
    try {
      const next = await answer(
        api.POST("/api/sheet-forms/field", { body: { form, field, at, captioned } }),
      );
      changeForm(() => next);
      choose({ kind: "field", index: next.fields.findIndex((index) => index.field === field) });
      setTool({ kind: "take" });
    } catch (error) {
      complain(error);
    }
  };
  const takeAway = () => {
    if (!valid) return;
    changeForm((own) => without(own, valid));
    choose(null);
  };
  const nudge = (dx: number, dy: number) => valid && changeForm((own) => moved(own, valid, dx, dy));
  return {
    now,
    paper: kept.paper,
    form,
    undo,
    redo,
    change: changeForm,
    setName,
    tool,
    setTool,
    chosen: valid,
    choose,
    captioned,
    setCaptioned,
    addLine,
    addText,
    putField,
    takeAway,
    nudge,
  };
}

export type FormEditor = ReturnType<typeof useFormEditor>;
