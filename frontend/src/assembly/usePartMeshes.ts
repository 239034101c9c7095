import { useQueries } from "@tanstack/react-query";
import { useMemo } from "react";

import type { Mesh, PlacedPart } from "../api/types";
import { meshQuery } from "../turntable/PartView";
import type { Shown } from "./composed";

/** The components whose parts have arrived, with their triangles; null until all have. */
export function usePartMeshes(components: readonly PlacedPart[]): {
  shown: Shown[] | null;
  error: Error | null;
} {
  const keys = useMemo(() => [...new Set(components.map(({ part }) => part))].sort(), [components]);
  const loaded = useQueries({
    queries: keys.map((key) => meshQuery(Number(key))),
    combine: (all) => ({
      meshes: all.map(({ data }) => data),
      error: all.find(({ error }) => error)?.error ?? null,
    }),
  });
  const { meshes } = loaded;
  const shown = useMemo(() => {
    const known = new Map<string, Mesh | undefined>(keys.map((key, k) => [key, meshes[k]]));
    const all = components.map((component) => ({ component, mesh: known.get(component.part) }));
    return all.every((own): own is Shown => own.mesh !== undefined) ? all : null;
  }, [components, keys, meshes]);
  return { shown, error: loaded.error };
}
