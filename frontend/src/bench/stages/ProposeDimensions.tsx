import { Button, Group, SegmentedControl, Text } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { t } from "../../frame/language";
import { answer, api } from "../../api/client";
import type { SheetDocument } from "../../api/types";
import { SIDES, sideLabel, term } from "../../frame/words";
import type { Bench } from "../bench";

type Sides = { [D in keyof typeof SIDES]: (typeof SIDES)[D][number] };

/** A complete set of dimensions in one click, from the datum sides chosen; Undo takes it back. */
export function ProposeDimensions({ bench }: { bench: Bench }) {
  const { document, draft, exercise } = bench;
  const [sides, setSides] = useState<Sides>({ width: "left side", height: "base", depth: "rear" });
  const propose = useMutation({
    mutationFn: (sent: SheetDocument) =>
      answer(
        api.POST("/api/exercises/{exercise_id}/answer/dimensions", {
          params: { path: { exercise_id: exercise.id } },
          body: { document: sent, ...sides },
        }),
      ),
    // What was drawn while the answer was on its way is not overwritten.
    onSuccess: (changed, sent) => draft.change((now) => (now === sent ? changed : now)),
  });
  return (
    <section aria-label={t("Proposal")} style={{ marginTop: 12 }}>
      <Text size="sm" fw={600}>
        {t("Locations from")}
      </Text>
      {(["width", "height", "depth"] as const).map((direction) => (
        <Group key={direction} gap={8} mt={4} wrap="nowrap" justify="space-between">
          <Text size="sm">{term(direction)}</Text>
          <SegmentedControl
            size="xs"
            aria-label={t("Datum side of the {{direction}}", { direction: term(direction) })}
            data={SIDES[direction].map((side) => ({
              value: side,
              label: sideLabel(side),
            }))}
            value={sides[direction]}
            onChange={(side) => setSides((now) => ({ ...now, [direction]: side }) as Sides)}
          />
        </Group>
      ))}
      <Button
        fullWidth
        mt={8}
        size="xs"
        loading={propose.isPending}
        onClick={() => propose.mutate(document)}
      >
        {t("Propose a complete set")}
      </Button>
      {propose.error && (
        <Text c="var(--fault)" role="alert" size="sm" mt={4}>
          {propose.error.message}
        </Text>
      )}
    </section>
  );
}
