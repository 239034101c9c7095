import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { Ink, SheetDocument } from "../api/types";

/** The document as ink, with the document it was drawn from while a newer drawing is on its way. */
export function useInk(exercise: number, document: SheetDocument) {
  return useQuery<{ ink: Ink; document: SheetDocument }>({
    queryKey: ["ink", exercise, document],
    queryFn: async () => ({
      ink: await answer(
        api.POST("/api/exercises/{exercise_id}/ink", {
          params: { path: { exercise_id: exercise } },
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
