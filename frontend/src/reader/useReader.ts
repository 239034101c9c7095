import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDebouncedValue } from "@mantine/hooks";
import { useMemo, useState } from "react";

import { answer, api } from "../api/client";
import type { ModelMotion, Reading, SheetDocument } from "../api/types";
import type { DeskParams } from "../bench/bench";
import { type Swinging, useSwing } from "./swing";

/** What is read: a sheet on the bench as it stands, or one that was handed in. */
export type Source =
  | { kind: "bench"; params: DeskParams; document: SheetDocument }
  | { kind: "sheet"; sheet: number };

export interface Reader extends Swinging {
  reading: Reading | null;
  error: Error | null;
  /** Which of the open sizes moves, and which chain is lit. */
  chosen: number | null;
  choose: (number: number | null) => void;
  chain: number | null;
  chooseChain: (number: number | null) => void;
  moves: ModelMotion | null;
}

const SETTLED_MS = 150;

/** The reader's eye on a sheet: what is open, what is said twice, and the one motion being shown. */
export function useReader(source: Source, on: boolean): Reader {
  const params = source.kind === "bench" ? source.params : null;
  const id = source.kind === "sheet" ? source.sheet : 0;
  const document = source.kind === "bench" ? source.document : null;
  // One and the same as long as what it names is: what is settled would never come to rest otherwise.
  const steady = useMemo<Source>(
    () => (document && params ? { kind: "bench", params, document } : { kind: "sheet", sheet: id }),
    [id, params, document],
  );
  const [settled] = useDebouncedValue(steady, SETTLED_MS);
  const [picked, choose] = useState<number | null>(0);
  const [chain, chooseChain] = useState<number | null>(null);
  const read = useQuery({
    queryKey: ["reading", settled],
    enabled: on,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 30_000,
    queryFn: () => fetched(settled),
  });
  const reading = on ? (read.data ?? null) : null;
  const open = reading?.open.length ?? 0;
  const chosen = picked !== null && open > 0 ? Math.min(picked, open - 1) : null;
  const moving = useQuery({
    queryKey: ["motion", settled, chosen],
    enabled: on && chosen !== null && !read.isPlaceholderData,
    staleTime: Infinity,
    gcTime: 30_000,
    retry: false,
    queryFn: () => motion(settled, chosen ?? 0),
  });
  const swinging = useSwing(chosen !== null);
  return {
    ...swinging,
    reading,
    error: read.error,
    chosen,
    choose,
    chain: chain !== null && chain < (reading?.chains.length ?? 0) ? chain : null,
    chooseChain,
    moves: chosen === null ? null : (moving.data ?? null),
  };
}

function fetched(source: Source): Promise<Reading> {
  if (source.kind === "sheet")
    return answer(
      api.GET("/api/sheets/{sheet_id}/reading", { params: { path: { sheet_id: source.sheet } } }),
    );
  return answer(
    api.POST("/api/exercises/{exercise_id}/reading", {
      params: source.params,
      body: { document: source.document },
    }),
  );
}

function motion(source: Source, number: number): Promise<ModelMotion> {
  if (source.kind === "sheet")
    return answer(
      api.GET("/api/sheets/{sheet_id}/reading/{number}", {
        params: { path: { sheet_id: source.sheet, number } },
      }),
    );
  return answer(
    api.POST("/api/exercises/{exercise_id}/reading/motion", {
      params: source.params,
      body: { document: source.document, number },
    }),
  );
}
