import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { Ink, SheetDocument } from "../api/types";
import type { DeskParams } from "./bench";

/** The document as ink, with the document it was drawn from while a newer drawing is on its way. */
export function useInk(params: DeskParams, document: SheetDocument) {
  return useQuery<{ ink: Ink; document: SheetDocument }>({
    queryKey: ["ink", params, document],
    queryFn: async () => ({
      ink: await answer(
        api.POST("/api/exercises/{exercise_id}/ink", {
          params,
          body: { document },
        }),
      ),
      document,
    }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 30_000,
  });
}
