import { useDebouncedValue } from "@mantine/hooks";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";

import { answer, api } from "../api/client";
import type { Assembly, AssemblyLook } from "../api/types";
import { solids } from "../turntable/PartView";

export interface Looked {
  /** What overlaps and how it comes apart, as it was a moment ago. */
  now: AssemblyLook | null;
  busy: boolean;
  error: Error | null;
}

/** What overlaps in an assembly and how it would come apart, asked anew a moment after a component has been moved. */
export function useLook(assembly: Assembly): Looked {
  // Colours and ways change nothing of it.
  const plain = useMemo(
    () =>
      JSON.stringify({
        name: "-",
        natural_up: assembly.natural_up,
        units: assembly.units,
        components: assembly.components.map(({ id, part, at, axes }) => ({
          id,
          part,
          at,
          axes,
          name: nameOf(assembly, id),
        })),
      }),
    [assembly],
  );
  const [asked] = useDebouncedValue(plain, 400);
  const some = assembly.components.length > 0;
  const made = useQuery({
    queryKey: ["look of assembly", asked],
    enabled: some,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: false,
    queryFn: () =>
      answer(
        api.POST("/api/assemblies/look", {
          body: { assembly: JSON.parse(asked) as Assembly, flat: !solids },
        }),
      ),
  });
  return {
    now: some && !made.error ? (made.data ?? null) : null,
    busy: some && (made.isFetching || asked !== plain),
    error: some ? made.error : null,
  };
}

/** What a component is called. */
export function nameOf(assembly: Assembly, id: string): string {
  return assembly.components.find((own) => own.id === id)?.name ?? id;
}
