import { Button, Group, Text, TextInput, Title } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Criterion, Finding, Wall } from "../api/types";
import { FindingSign } from "../drawing/FindingSign";
import { criterionLabel, term } from "../frame/words";
import classes from "./Wall.module.css";

interface Shared {
  share: string;
  finding: Finding;
  sheets: number;
  undecided: number;
  open: number;
}

/** The same mistake on several sheets, decided once for all of them. */
export function SharedFindings({ wall, lens }: { wall: Wall; lens: Criterion | null }) {
  const groups = useMemo(() => shared(wall, lens), [wall, lens]);
  const sheets = new Set(
    wall.sheets
      .filter((s) => s.findings.some((f) => !lens || f.criterion === lens))
      .map((s) => s.id),
  ).size;
  return (
    <aside className={`${classes.shared} panel`} aria-label={t("Shared mistakes")}>
      <Title order={2} size="h4">
        {lens ? criterionLabel(lens) : t("All criteria")}
      </Title>
      <Text
        className="quiet small"
        pb={6}
        style={{ borderBottom: "2px solid var(--mantine-color-text)" }}
      >
        {groups.length === 0
          ? t("Nothing to mark here.")
          : `${t("{{count}} sheets share", { count: sheets })} ${t("{{count}} mistakes", { count: groups.length })}`}
      </Text>
      {groups.map((group) => (
        <SharedRow key={group.share} group={group} exercise={wall.exercise.id} />
      ))}
    </aside>
  );
}

function shared(wall: Wall, lens: Criterion | null): Shared[] {
  const groups = new Map<string, Shared & { ids: Set<number> }>();
  for (const sheet of wall.sheets) {
    for (const finding of sheet.findings) {
      if (lens && finding.criterion !== lens) continue;
      const known = groups.get(finding.share) ?? {
        share: finding.share,
        finding,
        sheets: 0,
        undecided: 0,
        open: 0,
        ids: new Set<number>(),
      };
      known.ids.add(sheet.id);
      known.sheets = known.ids.size;
      if (sheet.state === "handed-in") {
        known.open += 1;
        if (finding.decision === null) known.undecided += 1;
      }
      groups.set(finding.share, known);
    }
  }
  const weight = (group: Shared) => (group.finding.severity === "error" ? 1000 : 0) + group.sheets;
  return [...groups.values()].sort((a, b) => weight(b) - weight(a));
}

function SharedRow({ group, exercise }: { group: Shared; exercise: number }) {
  const queries = useQueryClient();
  const [remark, setRemark] = useState("");
  const [trouble, setTrouble] = useState("");
  const { finding } = group;
  const decide = async (decision: "upheld" | "waived" | null) => {
    setTrouble("");
    try {
      await answer(
        api.POST("/api/exercises/{exercise_id}/decisions", {
          params: { path: { exercise_id: exercise } },
          body: { share: group.share, decision, remark: remark || null },
        }),
      );
    } catch (error) {
      setTrouble((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ["wall", exercise] });
  };
  const settled = group.open > 0 && group.undecided === 0;
  return (
    <section className={classes.sharedRow}>
      <Group wrap="nowrap" align="start" gap={10}>
        <FindingSign sign={finding.sign} severity={finding.severity} />
        <div>
          <Text fw={700} lh={1.3}>
            {finding.message}
          </Text>
          <Text className="quiet small">
            {finding.severity === "error" ? "" : `${term(finding.severity)}. `}
            {t("On {{count}} sheets.", { count: group.sheets })} {finding.basis}.
          </Text>
        </div>
      </Group>
      {group.open > 0 && !settled && (
        <>
          <Group gap={8} mt={8}>
            <Button size="xs" onClick={() => void decide("upheld")}>
              {t("Uphold on {{number}}", { number: group.open })}
            </Button>
            <Button size="xs" variant="default" onClick={() => void decide("waived")}>
              {t("Waive")}
            </Button>
          </Group>
          <TextInput
            mt={8}
            size="xs"
            aria-label={t("Remark for all of them")}
            placeholder={
              group.open > 1 ? t("Remark for all {{number}}", { number: group.open }) : t("Remark")
            }
            value={remark}
            onChange={(e) => setRemark(e.currentTarget.value)}
          />
        </>
      )}
      {settled && (
        <Group gap={8} mt={6}>
          <Text className="small" c="var(--settled)" fw={700}>
            {t("Decided")}
          </Text>
          <Button size="compact-xs" variant="subtle" color="ink" onClick={() => void decide(null)}>
            {t("Take back")}
          </Button>
        </Group>
      )}
      {trouble && (
        <Text className="small" c="var(--fault)" role="alert">
          {trouble}
        </Text>
      )}
    </section>
  );
}
