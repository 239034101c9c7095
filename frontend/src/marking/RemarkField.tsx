import { Autocomplete, type AutocompleteProps } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";

interface Props extends AutocompleteProps {
  /** The rule a remark is about, so that what was said of it before comes first. */
  rule?: string;
}

/** A remark, found by typing among those written before. */
export function RemarkField({ rule, ...rest }: Props) {
  const bank = useQuery({
    queryKey: ["remarks", rule ?? null],
    staleTime: 30_000,
    queryFn: () => answer(api.GET("/api/remarks", { params: { query: { rule } } })),
  });
  const written = bank.data?.map((entry) => entry.words) ?? [];
  return <Autocomplete data={written} limit={6} maxDropdownHeight={220} {...rest} />;
}
