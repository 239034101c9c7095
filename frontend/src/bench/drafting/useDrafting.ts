import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../../api/client";
import type { Change, Hatch, PenHatching, SheetDocument, View } from "../../api/types";
import type { DeskParams } from "../bench";
import type { BenchDraft } from "../useDraft";
import type { Pen } from "./tools";

/** The drafter's hand: which view is worked on, the pen, the paper grid, a size that is given. */
export function useDrafting(params: DeskParams, draft: BenchDraft) {
  const { document } = draft;
  const [chosen, setView] = useState<string | null>(null);
  const [pen, setPen] = useState<Pen>("visible");
  const [grid, setGrid] = useState(5);
  /** Length, radius or distance in the units of the sheet, true to the part; null: by pointing. */
  const [size, setSize] = useState<number | null>(null);
  const [hatch, setHatch] = useState<Hatch>({ angle: 45, spacing: 3 });
  const drafted = document.views.filter((v) => v.lines);
  const view = drafted.find((v) => v.id === chosen) ?? drafted[0] ?? null;
  const change = useMutation({
    mutationFn: ({
      sent,
      at,
      change,
    }: {
      sent: SheetDocument;
      at: View;
      change: Change | PenHatching;
    }) =>
      answer(
        api.POST("/api/exercises/{exercise_id}/sheet/change", {
          params,
          body: { document: sent, view: at.id, change, reach: 3 },
        }),
      ),
    // What was drawn while the answer was on its way is not overwritten.
    onSuccess: (changed, { sent }) => draft.change((now) => (now === sent ? changed : now)),
  });
  return {
    view,
    drafted,
    setView,
    pen,
    setPen,
    grid,
    setGrid,
    size,
    setSize,
    hatch,
    setHatch,
    change,
  };
}

export type Drafting = ReturnType<typeof useDrafting>;
