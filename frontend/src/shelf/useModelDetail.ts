import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";

/** What is known of a version of a part; undefined asks for nothing yet. */
export function useModelDetail(model: number | undefined) {
  return useQuery({
    queryKey: ["model", model],
    enabled: model !== undefined,
    staleTime: Infinity,
    queryFn: () =>
      answer(api.GET("/api/models/{model_id}", { params: { path: { model_id: model ?? 0 } } })),
  });
}
