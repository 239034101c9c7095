import { Button, Group, Switch, Text, Title } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { ModelDetail, PartSummary } from "../api/types";
import classes from "./Shelf.module.css";

interface Props {
  part: PartSummary;
  detail: ModelDetail;
  /** The face last clicked on the turntable. */
  picked?: number;
  onFaces: (faces: readonly number[] | undefined) => void;
}

type Known = ModelDetail["uncut"][number];
type Mark = Pick<Known, "of" | "face" | "whole">;

/** What must be said to the service: what differs from what the faces tell by themselves. */
export function marksOf(known: readonly Known[], changed: Mark): Mark[] {
  const others = known.filter((own) => own.of !== changed.of || own.face !== changed.face);
  const said = others.filter((own) => own.whole !== own.told);
  const told = known.some((own) => !others.includes(own) && own.told);
  const all = changed.whole === told ? said : [...said, changed];
  return all.map(({ of, face, whole }) => ({ of, face, whole }));
}

/** Ribs, pins and whatever else is left whole where a section runs along it: told by the part, changed by the instructor. */
export function Uncut({ part, detail, picked, onFaces }: Props) {
  const queries = useQueryClient();
  const set = useMutation({
    mutationFn: (mark: Mark) =>
      answer(
        api.PATCH("/api/parts/{part_id}", {
          params: { path: { part_id: part.id } },
          body: { uncut: marksOf(detail.uncut, mark) },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["part", part.id] }),
  });
  const of: Mark["of"] = detail.solids > 1 ? "body" : "rib";
  const known = detail.uncut.some((own) => picked !== undefined && own.faces.includes(picked));
  return (
    <section
      aria-label={t("Not cut lengthwise")}
      className={detail.uncut.length === 0 ? "screen-only" : undefined}
    >
      <Title order={3} size="h5">
        {t("Not cut lengthwise")}
      </Title>
      <ul className={classes.features}>
        {detail.uncut.map((own) => (
          <li
            key={`${own.of} ${own.face}`}
            onPointerEnter={() => onFaces(own.faces)}
            onPointerLeave={() => onFaces(undefined)}
            onFocus={() => onFaces(own.faces)}
            onBlur={() => onFaces(undefined)}
          >
            <Switch
              size="xs"
              label={own.words}
              description={own.told ? undefined : t("marked by hand")}
              checked={own.whole}
              disabled={set.isPending}
              onChange={(event) =>
                set.mutate({ of: own.of, face: own.face, whole: event.currentTarget.checked })
              }
            />
          </li>
        ))}
      </ul>
      <Group gap="xs" my="xs" className="screen-only">
        {(of === "body" ? (["rib", "body"] as const) : (["rib"] as const)).map((kind) => (
          <Button
            key={kind}
            size="compact-xs"
            variant="default"
            disabled={picked === undefined || known || set.isPending}
            onClick={() => set.mutate({ of: kind, face: picked ?? 0, whole: true })}
          >
            {kind === "rib" ? t("Leave this rib whole") : t("Leave this body whole")}
          </Button>
        ))}
      </Group>
      <Text className="quiet small screen-only">
        {t(
          "Click a flank of a rib, a round spoke, or a body, on the turntable to mark another one.",
        )}
      </Text>
      {set.error && (
        <Text size="sm" c="red" role="alert">
          {set.error.message}
        </Text>
      )}
    </section>
  );
}
