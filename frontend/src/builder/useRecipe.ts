import { useCallback, useState } from "react";

import type { Feature, Recipe } from "../api/types";

interface History {
  past: Recipe[];
  now: Recipe;
  future: Recipe[];
}

const DEPTH = 200;

/** A recipe being edited, with undo and redo. */
export function useRecipe(start: Recipe) {
  const [history, setHistory] = useState<History>({ past: [], now: start, future: [] });
  const change = useCallback((next: (now: Recipe) => Recipe) => {
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
  const setFeatures = (next: (features: Feature[]) => Feature[]) =>
    change((now) => ({ ...now, features: next(now.features) }));
  return {
    recipe: history.now,
    changed: history.past.length > 0,
    change,
    undo: history.past.length ? undo : null,
    redo: history.future.length ? redo : null,
    /** Replace one feature; what repeats it follows when it is renamed. */
    setFeature: (place: number, next: Feature) =>
      setFeatures((features) => {
        const old = features[place]?.name;
        return features.map((feature, k) => {
          if (k === place) return next;
          if (old === next.name || !("of" in feature)) return feature;
          return { ...feature, of: feature.of.map((name) => (name === old ? next.name : name)) };
        });
      }),
    add: (feature: Feature) => setFeatures((features) => [...features, feature]),
    remove: (place: number) => setFeatures((features) => features.filter((_, k) => k !== place)),
    move: (from: number, to: number) =>
      setFeatures((features) => {
        if (to < 0 || to >= features.length || from === to) return features;
        const next = [...features];
        const [moved] = next.splice(from, 1);
        next.splice(to, 0, moved!);
        return next;
      }),
  };
}

export type RecipeEditor = ReturnType<typeof useRecipe>;
