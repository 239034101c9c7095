import { type QueryKey, useQueryClient } from "@tanstack/react-query";

import { complain } from "./tell";

/** Does something, tells what goes wrong, and asks anew for what may have changed, done or not. */
export function useDeed(...touched: readonly QueryKey[]) {
  const queries = useQueryClient();
  return async (work: () => Promise<unknown>) => {
    try {
      await work();
    } catch (error) {
      complain(error);
    }
    for (const queryKey of touched) await queries.invalidateQueries({ queryKey });
  };
}
