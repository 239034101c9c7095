import { Button, Group, NativeSelect, SegmentedControl } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { Sheet, Wall } from "../api/types";
import { t } from "../frame/language";
import { points, terms } from "../frame/words";
import classes from "./Table.module.css";

/** Another sheet to look at together with this one: beside it, or under it. */
export interface Companion {
  sheet: number;
  how: "beside" | "under";
}

/** The sheet that is looked at together with another one. */
export function useCompanion(companion: Companion | null): Sheet | null {
  const other = useQuery({
    queryKey: ["sheet", companion?.sheet ?? 0],
    enabled: companion !== null,
    queryFn: () =>
      answer(
        api.GET("/api/sheets/{sheet_id}", {
          params: { path: { sheet_id: companion?.sheet ?? 0 } },
        }),
      ),
  });
  return companion ? (other.data ?? null) : null;
}

interface Props {
  sheet: Sheet;
  wall: Wall | undefined;
  companion: Companion;
  onChange: (companion: Companion | null) => void;
}

/** Which other sheet is looked at, and how: earlier attempts first, then those of the others. */
export function CompanionBar({ sheet, wall, companion, onChange }: Props) {
  const attempts = sheet.attempts.filter((attempt) => attempt.sheet !== sheet.id);
  const others = wall?.sheets.filter((other) => other.id !== sheet.id) ?? [];
  return (
    <Group className={classes.companion} gap={8} role="group" aria-label={t("Another sheet")}>
      <NativeSelect
        size="xs"
        aria-label={t("Which other sheet")}
        data={[
          ...attempts.map((attempt) => ({
            value: String(attempt.sheet),
            label: t("attempt {{number}}, {{points}} points", {
              number: attempt.attempt,
              points: points(attempt.points),
            }),
          })),
          ...others.map((other) => ({ value: String(other.id), label: other.student })),
        ]}
        value={String(companion.sheet)}
        onChange={(event) => onChange({ ...companion, sheet: Number(event.currentTarget.value) })}
      />
      <SegmentedControl
        size="xs"
        aria-label={t("How it is shown")}
        data={terms(["beside", "under"] as const)}
        value={companion.how}
        onChange={(how) => onChange({ ...companion, how: how as Companion["how"] })}
      />
      <Button size="compact-xs" variant="subtle" color="ink" onClick={() => onChange(null)}>
        {t("Put away")}
      </Button>
    </Group>
  );
}

/** The sheet to begin with: the attempt before this one, else the next student's. */
export function firstCompanion(sheet: Sheet, wall: Wall | undefined): Companion | null {
  const earlier = sheet.attempts.filter((attempt) => attempt.sheet !== sheet.id);
  if (earlier.length > 0) return { sheet: earlier[earlier.length - 1]!.sheet, how: "under" };
  const other = wall?.sheets.find((own) => own.id !== sheet.id);
  return other ? { sheet: other.id, how: "beside" } : null;
}
