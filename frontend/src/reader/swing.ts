import { useReducedMotion } from "@mantine/hooks";
import { useEffect, useMemo, useState } from "react";

/** One swing there and back, in milliseconds. */
const PERIOD_MS = 3600;

/** How far an open motion stands, −1 to 1, for everything that shows it. */
export class Swing {
  value = 1;
  private readonly watchers = new Set<(value: number) => void>();

  set(value: number) {
    this.value = value;
    this.watchers.forEach((watch) => watch(value));
  }

  watch(watcher: (value: number) => void): () => void {
    this.watchers.add(watcher);
    watcher(this.value);
    return () => this.watchers.delete(watcher);
  }
}

export interface Swinging {
  swing: Swing;
  /** Where it is held by hand, null while it swings by itself. */
  held: number | null;
  hold: (at: number | null) => void;
  /** Whether motion is reduced: it never swings by itself, and arrows show where things could go. */
  still: boolean;
}

/** Swings gently while something is shown, unless it is held or motion is reduced. */
export function useSwing(shown: boolean): Swinging {
  const still = useReducedMotion(false, { getInitialValueInEffect: false });
  const swing = useMemo(() => new Swing(), []);
  const [held, hold] = useState<number | null>(null);
  useEffect(() => {
    if (!shown) return;
    if (held !== null || still) {
      swing.set(held ?? 1);
      return;
    }
    let frame = 0;
    const step = (now: number) => {
      swing.set(Math.sin((now / PERIOD_MS) * 2 * Math.PI));
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [shown, held, still, swing]);
  return { swing, held, hold, still };
}
