import { useDebouncedValue } from "@mantine/hooks";
import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { useEffect, useState } from "react";

import { answer, api } from "../api/client";
import type { Mesh, Preview, Recipe } from "../api/types";
import { solids } from "../turntable/PartView";

export interface Previewed {
  /** The newest answer, faulty or not. */
  now: Preview | null;
  /** The newest model that could be built: it stays in sight while something is wrong. */
  mesh: Mesh | null;
  /** Its lines, where the screen cannot draw solids. */
  lines: Preview["lines"];
  busy: boolean;
  error: Error | null;
}

/** The model of a recipe, built anew a moment after each change. */
export function usePreview(recipe: Recipe): Previewed {
  const [asked] = useDebouncedValue(recipe, 200);
  const made = useQuery({
    queryKey: ["preview", asked],
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
    queryFn: () =>
      answer(api.POST("/api/parts/preview", { body: { recipe: asked, flat: !solids } })),
  });
  const [built, setBuilt] = useState<Preview | null>(null);
  const newest = made.data;
  useEffect(() => {
    if (newest?.mesh) setBuilt(newest);
  }, [newest]);
  return {
    now: made.data ?? null,
    mesh: built?.mesh ?? null,
    lines: built?.lines ?? null,
    busy: made.isFetching || asked !== recipe,
    error: made.error,
  };
}
