import { Button, Group, List, Switch, Text, Title } from "@mantine/core";
import { useEffect, useState } from "react";

import type { View } from "../../api/types";
import { t } from "../../frame/language";
import { fieldLabel, viewLabel } from "../../frame/words";
import { type Bench, emptyFields } from "../bench";
import { AidButton } from "./AidButton";
import { CheckOnce, looks } from "./CheckOnce";

/** Before a sheet is handed in: each view once more from near, rows evened, nothing empty. No check. */
export function LookingOverStage({ bench }: { bench: Bench }) {
  const { document, ink, looking, lookOver } = bench;
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set());
  const { views } = document;
  const at = views.findIndex((view) => view.id === looking);
  const view = views[at];
  const nameOf = (id: string) => viewLabel(ink?.views.find((v) => v.id === id)?.name ?? "view");
  const go = (place: number) => {
    const next = views[(place + views.length) % views.length];
    if (!next) return;
    lookOver(next.id);
    setSeen((before) => new Set([...before, next.id]));
  };
  useEffect(() => () => lookOver(null), [lookOver]);
  const left = views.filter(({ id }) => !seen.has(id));
  return (
    <>
      <Title order={2} size="h4">
        {t("Looking over")}
      </Title>
      <Text className="quiet small" mt={4}>
        {looks(bench.exercise.task) && !bench.answering
          ? t("As one does before a sheet leaves the table.")
          : t("As one does before a sheet leaves the table. Nothing is checked here.")}
      </Text>
      {views.length === 0 && (
        <Text size="sm" mt="sm">
          {t("There is no view on the sheet yet.")}
        </Text>
      )}
      {views.length > 0 && (
        <>
          <Button size="xs" mt="sm" fullWidth onClick={() => go(at + 1)}>
            {at < 0 ? t("Look at the first view") : t("Next view")}
          </Button>
          <Group gap={8} mt={8} grow>
            <Button size="xs" variant="default" onClick={() => go(at - 1)} disabled={at < 0}>
              {t("Back")}
            </Button>
            <Button size="xs" variant="default" onClick={() => lookOver(null)} disabled={at < 0}>
              {t("Whole sheet")}
            </Button>
          </Group>
          <Text size="sm" mt={6} role="status">
            {view
              ? t("{{view}}, {{number}} of {{all}}", {
                  view: nameOf(view.id),
                  number: at + 1,
                  all: views.length,
                })
              : left.length
                ? t("Still to look at: {{views}}", {
                    views: left.map(({ id }) => nameOf(id)).join(", "),
                  })
                : t("Every view was looked at.")}
          </Text>
        </>
      )}
      {view && <HiddenOnAndOff bench={bench} view={view} />}
      <Title order={3} size="h5" mt="md">
        {t("Dimensions")}
      </Title>
      <Text size="sm">{t("{{count}} dimensions", { count: document.dimensions.length })}</Text>
      <AidButton bench={bench} aid="rows" label={t("Even out the rows")} />
      <Title order={3} size="h5" mt="md">
        {t("Title block")}
      </Title>
      <Empty bench={bench} />
      {!bench.answering && looks(bench.exercise.task) && <CheckOnce bench={bench} />}
    </>
  );
}

/** Hidden lines on and off, to see whether any appear. */
function HiddenOnAndOff({ bench, view }: { bench: Bench; view: View }) {
  if (view.lines || view.kind === "pictorial") return null;
  const number = bench.ink?.views.find(({ id }) => id === view.id)?.hidden_lines ?? 0;
  const show = (hidden: boolean) =>
    bench.draft.change((now) => ({
      ...now,
      views: now.views.map((own) => (own.id === view.id ? { ...own, hidden } : own)),
    }));
  return (
    <Switch
      size="sm"
      mt="sm"
      label={t("Hidden lines")}
      description={
        number
          ? t("{{count}} hidden lines in this view", { count: number })
          : t("None appear in this view")
      }
      checked={view.hidden}
      onChange={(e) => show(e.currentTarget.checked)}
    />
  );
}

function Empty({ bench }: { bench: Bench }) {
  const fields = emptyFields(bench);
  const unnamed = Boolean(bench.exercise.task.sheet_name) && !bench.document.name?.trim();
  if (fields.length === 0 && !unnamed)
    return <Text size="sm">{t("Nothing that is asked for is empty.")}</Text>;
  return (
    <List size="sm" spacing={2} aria-label={t("Empty fields")}>
      {fields.map((field) => (
        <List.Item key={field}>{t("{{field}} is empty", { field: fieldLabel(field) })}</List.Item>
      ))}
      {unnamed && <List.Item>{t("The sheet has no name")}</List.Item>}
    </List>
  );
}
