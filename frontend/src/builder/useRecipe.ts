import type { Feature, Recipe } from "../api/types";
import { useHistory } from "../frame/useHistory";

/** A recipe being edited, with undo and redo. */
export function useRecipe(start: Recipe) {
  const { now: recipe, changed, change, undo, redo } = useHistory(start);
  const setFeatures = (next: (features: Feature[]) => Feature[]) =>
    change((now) => ({ ...now, features: next(now.features) }));
  return {
    recipe,
    changed,
    change,
    undo,
    redo,
    /** Replace one feature; what repeats it follows when it is renamed. */
    setFeature: (index: number, next: Feature) =>
      setFeatures((features) => {
        const old = features[index]?.name;
        return features.map((feature, k) => {
          if (k === index) return next;
          if (old === next.name || !("of" in feature)) return feature;
          return { ...feature, of: feature.of.map((name) => (name === old ? next.name : name)) };
        });
      }),
    add: (feature: Feature) => setFeatures((features) => [...features, feature]),
    remove: (index: number) => setFeatures((features) => features.filter((_, k) => k !== index)),
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
