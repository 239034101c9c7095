import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { Rules } from "../api/types";

export type { Rules } from "../api/types";

/** All rules, with how often the instructor's classes broke them and what was decided. */
export function useRules() {
  return useQuery<Rules>({
    queryKey: ["rules"],
    staleTime: 60_000,
    queryFn: () => answer(api.GET("/api/rules")),
  });
}
