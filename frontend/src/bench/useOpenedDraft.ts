import { useQuery } from "@tanstack/react-query";

import type { DraftCalls } from "./draftCalls";
import { openFormer } from "./keptDraft";

/** A sheet as it is kept, and what this browser kept of it in the present format. */
export function useOpenedDraft(calls: DraftCalls, on = true) {
  return useQuery({
    queryKey: ["draft", calls.key],
    enabled: on,
    gcTime: 0,
    staleTime: Infinity,
    queryFn: async () => {
      const draft = await calls.load();
      await openFormer(calls.key, draft);
      return draft;
    },
  });
}
