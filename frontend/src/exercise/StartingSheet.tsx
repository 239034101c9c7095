import { Button, Group, NumberInput, SegmentedControl, Text, Title } from "@mantine/core";
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { said, t } from "../frame/language";
import { answer, api } from "../api/client";
import type { LineChange, Starting, Task } from "../api/types";
import { Paper } from "../paper/Paper";
import { Ink, InkPiece } from "../drawing/Ink";
import { viewWords } from "../frame/words";
import classes from "./Exercises.module.css";

interface Props {
  part: number;
  task: Task;
  onChange: (task: Task) => void;
}

type Alteration = LineChange["change"];
type Choice = Starting["choices"][number];

const WORDS: Record<Alteration, string> = {
  removed: said("left out"),
  "other kind": said("in the wrong pen"),
  shifted: said("out of place"),
  added: said("put in"),
};

function sameLine(a: Pick<Choice, "view" | "at">, b: Pick<Choice, "view" | "at">): boolean {
  return (
    a.view === b.view &&
    Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1]) < 1e-6 * (1 + Math.abs(a.at[0]))
  );
}

/** The sheet students start from; a click on a line changes it, another click puts it back. */
export function StartingSheet({ part, task, onChange }: Props) {
  const { drafting } = task;
  const [change, setChange] = useState<Alteration>("removed");
  const [number, setNumber] = useState(4);
  const [lit, setLit] = useState<Choice | null>(null);
  const ask = (body: { propose: number; seed: number }) =>
    answer(api.POST("/api/exercises/starting-sheet", { body: { part, task, ...body } }));
  const unsaid =
    drafting.kind === "special view" && task.special.length + task.true_length.length === 0;
  const sheet = useQuery({
    queryKey: ["starting sheet", part, task],
    enabled: !unsaid,
    queryFn: () => ask({ propose: 0, seed: 0 }),
    placeholderData: keepPreviousData,
  });
  const set = (changes: LineChange[]) => onChange({ ...task, drafting: { ...drafting, changes } });
  const propose = useMutation({
    mutationFn: () => ask({ propose: number, seed: Math.floor(Math.random() * 1_000_000) }),
    onSuccess: (proposed) => set(proposed.changes),
  });
  const changed = (choice: Choice) => drafting.changes.find((c) => sameLine(c, choice));
  const toggle = (choice: Choice) => {
    if (changed(choice)) set(drafting.changes.filter((c) => !sameLine(c, choice)));
    else
      set([
        ...drafting.changes,
        { view: choice.view, at: choice.at, change: choice.added ? "added" : change },
      ]);
  };
  if (unsaid)
    return (
      <Text className="quiet">{t("Say above which special view is left to the students.")}</Text>
    );
  if (sheet.error) return <Text c="var(--fault)">{sheet.error.message}</Text>;
  if (!sheet.data) return null;
  const { ink, choices } = sheet.data;
  const { width, height } = ink.paper;
  const altering = drafting.kind === "missing lines" || drafting.kind === "wrong lines";
  const offered = choices.filter((c) => c.added === (change === "added") || changed(c));
  return (
    <section aria-label={t("Starting sheet")}>
      <Title order={2} size="h4">
        {t("What students start from")}
      </Title>
      <div className={classes.starting} style={{ aspectRatio: `${width} / ${height}` }}>
        <Paper
          paper={ink.paper}
          views={ink.views.map((view) => view.box)}
          dragPushes
          amid
          role="img"
          aria-label={t("Starting sheet")}
        >
          {ink.groups.map((group) => (
            <Ink key={`${group.role}-${group.id}`} group={group} height={height} />
          ))}
          {altering &&
            offered.map((choice) => {
              const is = changed(choice);
              return (
                <g
                  key={`${choice.view}-${choice.at.join()}-${choice.added}`}
                  className={classes.choice}
                  data-changed={is?.change}
                  data-lit={lit === choice}
                  role="button"
                  tabIndex={0}
                  aria-pressed={Boolean(is)}
                  aria-label={
                    t("Line in the {{view}}", { view: viewWords(choice.view) }) +
                    (is ? `, ${t(WORDS[is.change])}` : "")
                  }
                  onPointerEnter={() => setLit(choice)}
                  onPointerLeave={() => setLit(null)}
                  onClick={() => toggle(choice)}
                  onKeyDown={(e) => {
                    if (e.key !== "Enter" && e.key !== " ") return;
                    e.preventDefault();
                    toggle(choice);
                  }}
                >
                  <InkPiece item={choice.item} height={height} />
                  <g className={classes.choiceReach}>
                    <InkPiece item={choice.item} height={height} />
                  </g>
                </g>
              );
            })}
        </Paper>
      </div>
      {altering && (
        <>
          {drafting.kind === "wrong lines" && (
            <SegmentedControl
              mt={8}
              size="xs"
              fullWidth
              aria-label={t("How a line is changed")}
              data={Object.entries(WORDS).map(([value, label]) => ({ value, label: t(label) }))}
              value={change}
              onChange={(value) => setChange(value as Alteration)}
            />
          )}
          <Text className="small quiet" mt={6}>
            {t("Click a line to change it, again to put it back.")}{" "}
            {drafting.changes.length
              ? t("{{count}} lines changed.", { count: drafting.changes.length })
              : t("Nothing is changed yet.")}
          </Text>
          <Group mt={8} align="end" gap={8}>
            <NumberInput
              size="xs"
              w={90}
              label={t("How many")}
              min={1}
              max={30}
              value={number}
              onChange={(value) => setNumber(Math.max(1, Number(value) || 1))}
            />
            <Button
              size="xs"
              variant="default"
              loading={propose.isPending}
              onClick={() => propose.mutate()}
            >
              {t("Choose some for me")}
            </Button>
            {drafting.changes.length > 0 && (
              <Button size="xs" variant="subtle" onClick={() => set([])}>
                {t("Put all back")}
              </Button>
            )}
          </Group>
          {propose.error && (
            <Text c="var(--fault)" role="alert" size="sm">
              {propose.error.message}
            </Text>
          )}
        </>
      )}
    </section>
  );
}
