import { Button, Text, TextInput, Title } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { PartSummary, PlacedPart } from "../api/types";
import { t } from "../frame/language";
import { PartPicture } from "../turntable/PartPicture";
import { meshQuery } from "../turntable/PartView";
import classes from "./Assembly.module.css";
import { boxOf, composed } from "./composed";
import type { V3 } from "./standing";
import { type AssemblyEditor, freshIds } from "./useAssembly";

const MOST = 30;
const UPRIGHT: PlacedPart["axes"] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

interface Props {
  editor: AssemblyEditor;
  onAdded: (id: string) => void;
}

/** Parts of the shelf, to be put in beside what is there; of an assembly all its parts, as they stand in it. */
export function ShelfPicker({ editor, onAdded }: Props) {
  const queries = useQueryClient();
  const [words, setWords] = useState("");
  const [asked] = useDebouncedValue(words, 250);
  const { units, components } = editor.assembly;
  const shelf = useQuery({
    queryKey: ["parts", "to put in", asked],
    placeholderData: keepPreviousData,
    queryFn: () =>
      answer(api.GET("/api/parts", { params: { query: { words: asked, limit: MOST } } })),
  });
  const put = useMutation({
    mutationFn: async (part: PartSummary) => {
      const { low, high } = boxOf((await queries.fetchQuery(meshQuery(part.model))).points);
      const wide = high[0] - low[0];
      const there = await Promise.all(
        components.map(async (component) => ({
          component,
          mesh: await queries.fetchQuery(meshQuery(Number(component.part))),
        })),
      );
      const beside = components.length ? boxOf(composed(there, 0).mesh.points).high[0] : 0;
      const grid = part.unit === "inch" ? 0.125 : 1;
      const clear = Math.ceil((beside + 0.1 * wide - low[0]) / grid) * grid;
      const at: V3 = [components.length ? clear : 0, 0, 0];
      if (components.length === 0) editor.change((now) => ({ ...now, units: part.unit ?? "mm" }));
      if (!part.assembly) {
        const [id = "c1"] = freshIds(editor.assembly, 1);
        editor.add([
          { id, name: part.name, part: String(part.model), at, axes: UPRIGHT, within: [] },
        ]);
        return id;
      }
      const { assembly } = await answer(
        api.GET("/api/assemblies/{part_id}", { params: { path: { part_id: part.id } } }),
      );
      const ids = freshIds(editor.assembly, assembly.components.length);
      editor.add(
        assembly.components.map((own, k) => ({
          ...own,
          id: ids[k]!,
          at: [own.at![0] + at[0], own.at![1], own.at![2]],
          within: [assembly.name, ...(own.within ?? [])],
        })),
      );
      return ids[0]!;
    },
    onSuccess: onAdded,
  });
  const parts = (shelf.data?.parts ?? []).filter((part) => part.state === "ready");
  return (
    <section aria-label={t("From the shelf")}>
      <Title order={2} size="h4" mt="md">
        {t("From the shelf")}
      </Title>
      <TextInput
        type="search"
        size="xs"
        mt={6}
        aria-label={t("Search the shelf")}
        placeholder={t("Name, material or label")}
        value={words}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
      {(put.error ?? shelf.error) && (
        <Text role="alert" size="sm" c="var(--fault)">
          {(put.error ?? shelf.error)?.message}
        </Text>
      )}
      <ul className={classes.found}>
        {parts.map((part) => {
          const other = components.length > 0 && part.unit !== units;
          return (
            <li key={part.id}>
              <div className={classes.thumb}>
                <PartPicture model={part.model} />
              </div>
              <div>
                <Text size="sm">{part.name}</Text>
                {(part.assembly || other) && (
                  <Text className="quiet small">
                    {other
                      ? t("in another unit")
                      : t("{{count}} components", { count: part.components })}
                  </Text>
                )}
              </div>
              <Button
                size="compact-xs"
                variant="default"
                disabled={other}
                aria-label={t("Put in {{name}}", { name: part.name })}
                onClick={() => put.mutate(part)}
              >
                {t("Put in")}
              </Button>
            </li>
          );
        })}
      </ul>
      {shelf.data && shelf.data.total > MOST && (
        <Text className="quiet small">{t("Type a word to find the others.")}</Text>
      )}
    </section>
  );
}
