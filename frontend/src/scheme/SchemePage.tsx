import { Alert, Button, Group, Text, Title } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { Scheme, SchemeAnswer } from "../api/types";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { complain, tell } from "../frame/tell";
import { dayAndTime, points } from "../frame/words";
import { GradeFields } from "./GradeFields";
import { PointFields } from "./PointFields";
import { RuleCosts } from "./RuleCosts";
import styles from "./Scheme.module.css";
import { type Rules, useRules } from "../marking/useRules";
import { Templates } from "./Templates";
import { differences } from "./schemeWords";

/** How an exercise is marked: changed at any time, with all its marks following. */
export default function SchemePage() {
  const exercise = Number(useParams().exercise);
  const params = { path: { exercise_id: exercise } };
  const own = useQuery({
    queryKey: ["exercise", exercise],
    queryFn: () => answer(api.GET("/api/exercises/{exercise_id}", { params })),
  });
  const scheme = useQuery({
    queryKey: ["scheme", exercise],
    queryFn: () => answer(api.GET("/api/exercises/{exercise_id}/scheme", { params })),
  });
  const rules = useRules();
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> /{" "}
            <Link to={`/exercises/${exercise}/wall`}>{own.data?.title ?? ""}</Link> /{" "}
            <strong>{t("How it is marked")}</strong>
          </>
        }
      />
      {(scheme.isPending || rules.isPending) && <Waiting />}
      {(scheme.error ?? rules.error) && <Trouble error={(scheme.error ?? rules.error)!} />}
      {scheme.data && rules.data && (
        <SchemeEditor
          key={scheme.dataUpdatedAt}
          exercise={exercise}
          kept={scheme.data}
          rules={rules.data}
        />
      )}
    </>
  );
}

interface Props {
  exercise: number;
  kept: SchemeAnswer;
  rules: Rules;
}

function SchemeEditor({ exercise, kept, rules }: Props) {
  const queries = useQueryClient();
  const [scheme, setScheme] = useState<Scheme>(kept.scheme);
  const [busy, setBusy] = useState(false);
  const changed = JSON.stringify(scheme) !== JSON.stringify(kept.scheme);
  const [settled] = useDebouncedValue(scheme, 400);
  const params = { path: { exercise_id: exercise } };
  const trial = useQuery({
    queryKey: ["scheme trial", exercise, settled],
    placeholderData: (before) => before,
    queryFn: () =>
      answer(api.POST("/api/exercises/{exercise_id}/scheme/trial", { params, body: settled })),
  });
  const set = (change: Partial<Scheme>) => setScheme({ ...scheme, ...change });
  const keep = async () => {
    setBusy(true);
    try {
      const fresh = await answer(
        api.PUT("/api/exercises/{exercise_id}/scheme", { params, body: scheme }),
      );
      queries.setQueryData(["scheme", exercise], fresh);
      void queries.invalidateQueries({ queryKey: ["wall", exercise] });
      void queries.invalidateQueries({ queryKey: ["sheet"] });
      tell(t("Kept; all marks follow it."));
    } catch (error) {
      complain(error);
    }
    setBusy(false);
  };
  const moved = trial.data?.filter((row) => row.before !== row.after) ?? [];
  return (
    <main className={styles.page}>
      <div>
        <Group justify="space-between" mb="md">
          <Title order={1} size="h2">
            {t("How it is marked")}
          </Title>
          <Templates scheme={scheme} onTake={setScheme} />
        </Group>
        <PointFields scheme={scheme} set={set} />
        <RuleCosts
          marking={scheme.marking}
          usual={scheme.error_cost}
          rules={rules}
          onChange={(marking) => set({ marking })}
        />
        <GradeFields
          marking={scheme.marking}
          letters={kept.letters}
          numbers={kept.numbers}
          onChange={(marking) => set({ marking })}
        />
        <Group mt="xl">
          <Button loading={busy} disabled={!changed || trial.isError} onClick={() => void keep()}>
            {t("Mark it so")}
          </Button>
          <Button variant="default" disabled={!changed} onClick={() => setScheme(kept.scheme)}>
            {t("As it was")}
          </Button>
        </Group>
      </div>
      <aside aria-label={t("What becomes of the marks")}>
        <Title order={2} size="h4">
          {t("What becomes of the marks")}
        </Title>
        {trial.error && (
          <Alert color="ink" variant="outline" role="alert" mt="sm">
            {trial.error.message}
          </Alert>
        )}
        {trial.data && (
          <Text className="quiet small">
            {moved.length === 0
              ? t("No mark changes.")
              : t("{{count}} marks change", { count: moved.length })}
          </Text>
        )}
        <table className={styles.moved}>
          <tbody>
            {trial.data?.map((row) => (
              <tr key={row.sheet} data-moved={row.before !== row.after || undefined}>
                <th scope="row">{row.student}</th>
                <td className="number">{points(row.before)}</td>
                <td>→</td>
                <td className="number">{points(row.after)}</td>
                <td>{row.grade_after ?? ""}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <Title order={2} size="h4" mt="lg">
          {t("What was changed before")}
        </Title>
        {kept.changes.length === 0 && (
          <Text className="quiet small">{t("Nothing: it is as it was set.")}</Text>
        )}
        <ol className={styles.changes}>
          {kept.changes.map((change, index) => (
            <li key={index}>
              <Text className="quiet small">
                {dayAndTime(change.at)} · {change.who ?? t("somebody")}
              </Text>
              {differences(change.before, change.after, rules).map((words) => (
                <Text key={words} className="small">
                  {words}
                </Text>
              ))}
            </li>
          ))}
        </ol>
      </aside>
    </main>
  );
}
