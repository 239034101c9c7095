import { useState, useSyncExternalStore } from "react";

import type { SheetDocument } from "../api/types";

/**
 * The sheet while something is dragged on it; null at other times. It is kept beside the components, so that a frame of
 * a drag draws only what follows the sheet and not all that stands around it.
 */
export interface LiveSheet {
  get: () => SheetDocument | null;
  set: (next: SheetDocument | null) => void;
  follow: (told: () => void) => () => void;
}

function liveSheet(): LiveSheet {
  let now: SheetDocument | null = null;
  const followers = new Set<() => void>();
  return {
    get: () => now,
    set: (next) => {
      if (next === now) return;
      now = next;
      followers.forEach((told) => told());
    },
    follow: (told) => {
      followers.add(told);
      return () => followers.delete(told);
    },
  };
}

/** A live sheet of one's own, for as long as a component is there. */
export function useLiveSheet(): LiveSheet {
  return useState(liveSheet)[0];
}

/** The sheet as it is dragged just now. */
export function useLive(live: LiveSheet): SheetDocument | null {
  return useSyncExternalStore(live.follow, live.get);
}

/** Whether anything is dragged just now. */
export function useDragging(live: LiveSheet): boolean {
  return useSyncExternalStore(live.follow, () => live.get() !== null);
}
