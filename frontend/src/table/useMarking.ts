import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Sheet } from "../api/types";

export type Decision = "upheld" | "waived" | null;

/**
 * What an instructor writes on a sheet. One thing reaches the server after the other, in the order it was done: a
 * remark still on its way is kept before the sheet is returned, and a sheet whose remark was refused is not returned.
 */
export function useMarking(sheet: Sheet) {
  const queries = useQueryClient();
  // What was refused stays here until the same thing is kept: another one that is kept does not make up for it.
  const refused = useRef(new Set<string>());
  const scope = { id: `marking-${sheet.id}` };
  const shown = (fresh: Sheet) => {
    queries.setQueryData(["sheet", sheet.id], fresh);
  };
  // How a finding stands as it is shown now, so that nobody's newer decision is written over unseen.
  const standing = (number: number) => {
    const now = queries.getQueryData<Sheet>(["sheet", sheet.id]) ?? sheet;
    return now.findings.find((finding) => finding.number === number)?.decision ?? "open";
  };
  const decide = useMutation({
    scope,
    mutationFn: (what: { number: number; decision: Decision; remark?: string }) =>
      answer(
        api.PUT("/api/sheets/{sheet_id}/findings/{number}", {
          params: { path: { sheet_id: sheet.id, number: what.number } },
          body: {
            decision: what.decision,
            remark: what.remark ?? null,
            seen: standing(what.number),
            checker: sheet.checker,
          },
        }),
      ),
    onSuccess: (fresh, { number }) => {
      refused.current.delete(`finding ${number}`);
      shown(fresh);
    },
    onError: (_, { number }) => {
      refused.current.add(`finding ${number}`);
      // Somebody else may have decided meanwhile: what stands now is shown.
      void queries.invalidateQueries({ queryKey: ["sheet", sheet.id] });
    },
  });
  const remark = useMutation({
    scope,
    mutationFn: (text: string) =>
      answer(
        api.PUT("/api/sheets/{sheet_id}/remark", {
          params: { path: { sheet_id: sheet.id } },
          body: { remark: text },
        }),
      ),
    onSuccess: (fresh) => {
      refused.current.delete("remark");
      shown(fresh);
    },
    onError: () => {
      refused.current.add("remark");
    },
  });
  const giveBack = useMutation({
    scope,
    mutationFn: async () => {
      if (refused.current.size > 0) {
        throw new Error(t("A remark or decision was not kept, so the sheet is not returned."));
      }
      return answer(
        api.POST("/api/sheets/{sheet_id}/return", { params: { path: { sheet_id: sheet.id } } }),
      );
    },
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["sheet", sheet.id] }),
        queries.invalidateQueries({ queryKey: ["wall"] }),
      ]),
  });
  return { decide, remark, giveBack };
}

export type Marking = ReturnType<typeof useMarking>;
