import { createContext, use } from "react";

import type { Me } from "../api/types";

export const MeContext = createContext<Me | null>(null);

/** Who is logged in; pages are only shown to somebody. */
export function useMe(): Me {
  const me = use(MeContext);
  if (!me) throw new Error("useMe outside a logged-in page");
  return me;
}
