import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";

/** What can be set, and for whom: parts of the shelf that are ready, and classes; the first class unless another is chosen. */
export function useChoices() {
  const parts = useQuery({
    queryKey: ["parts", "all"],
    queryFn: () => answer(api.GET("/api/parts", { params: { query: { limit: 200 } } })),
  });
  const classes = useQuery({
    queryKey: ["classes"],
    queryFn: () => answer(api.GET("/api/classes")),
  });
  return {
    pending: parts.isPending || classes.isPending,
    ready: parts.data?.parts.filter((own) => own.state === "ready") ?? [],
    classes: classes.data ?? [],
    first: classes.data?.[0] ? String(classes.data[0].id) : null,
  };
}
