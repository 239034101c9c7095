import { useCallback, useState } from "react";

interface Past<Thing> {
  past: Thing[];
  now: Thing;
  future: Thing[];
}

const DEPTH = 200;

/** Something being edited, with undo and redo; null where there is nothing to undo or do again. */
export function useHistory<Thing>(start: Thing) {
  const [history, setHistory] = useState<Past<Thing>>({ past: [], now: start, future: [] });
  const change = useCallback((next: (now: Thing) => Thing) => {
    setHistory((h) => {
      const now = next(h.now);
      return now === h.now ? h : { past: [...h.past.slice(-DEPTH), h.now], now, future: [] };
    });
  }, []);
  const undo = () =>
    setHistory((h) => {
      const last = h.past[h.past.length - 1];
      return last ? { past: h.past.slice(0, -1), now: last, future: [h.now, ...h.future] } : h;
    });
  const redo = () =>
    setHistory((h) => {
      const [first, ...rest] = h.future;
      return first ? { past: [...h.past, h.now], now: first, future: rest } : h;
    });
  return {
    now: history.now,
    changed: history.past.length > 0,
    change,
    undo: history.past.length ? undo : null,
    redo: history.future.length ? redo : null,
  };
}
