import { Button, Group, SegmentedControl, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { Understanding } from "../api/types";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { criterionLabel } from "../frame/words";
import styles from "./Learned.module.css";

/** What a class has not understood yet: mistakes by rule, exercise and student, as a picture with its numbers. */
export default function LearnedPage() {
  const school = Number(useParams().school);
  const learned = useQuery({
    queryKey: ["understanding", school],
    queryFn: () =>
      answer(
        api.GET("/api/classes/{class_id}/understanding", {
          params: { path: { class_id: school } },
        }),
      ),
  });
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/classes">{t("Classes")}</Link> /{" "}
            <strong>{learned.data?.school_class ?? ""}</strong>
          </>
        }
      >
        <Button variant="default" onClick={() => window.print()}>
          {t("Print")}
        </Button>
      </Header>
      <main className={styles.page} data-print="">
        {learned.isPending && <Waiting />}
        {learned.error && <Trouble error={learned.error} />}
        {learned.data && <Learned learned={onlyHandedIn(learned.data)} />}
      </main>
    </>
  );
}

/** Exercises of which nothing has come in yet say nothing. */
function onlyHandedIn(learned: Understanding): Understanding {
  return { ...learned, exercises: learned.exercises.filter((own) => own.handed_in > 0) };
}

function Learned({ learned }: { learned: Understanding }) {
  const [by, setBy] = useState<"rule" | "student">("rule");
  return (
    <>
      <Group justify="space-between" mb="sm">
        <Title order={1} size="h2">
          {t("What {{name}} has not understood yet", { name: learned.school_class })}
        </Title>
        <SegmentedControl
          className={styles.noPrint}
          size="xs"
          aria-label={t("Arranged by")}
          data={[
            { value: "rule", label: t("by rule") },
            { value: "student", label: t("by student") },
          ]}
          value={by}
          onChange={(value) => setBy(value as typeof by)}
        />
      </Group>
      {learned.rules.length === 0 ? (
        <Text>{t("No mistakes so far: nothing was handed in, or all of it was right.")}</Text>
      ) : by === "rule" ? (
        <ByRule learned={learned} />
      ) : (
        <ByStudent learned={learned} />
      )}
    </>
  );
}

/** A cell as dark as its share, with its number in it. */
function Cell({ count, of, to }: { count: number; of: number; to?: string }) {
  const share = of > 0 ? count / of : 0;
  return (
    <td className={styles.cell} style={{ "--share": share } as React.CSSProperties}>
      {count > 0 && (to ? <Link to={to}>{count}</Link> : count)}
    </td>
  );
}

function ByRule({ learned }: { learned: Understanding }) {
  return (
    <table className={styles.grid}>
      <caption className="quiet small">
        {t("In each cell: sheets with the mistake, the darker the more of those handed in.")}
      </caption>
      <thead>
        <tr>
          <th scope="col">{t("Rule")}</th>
          {learned.exercises.map((exercise) => (
            <th key={exercise.id} scope="col" className={styles.exercise}>
              <Link to={`/exercises/${exercise.id}/wall`}>{exercise.title}</Link>
              <span className="quiet small"> {exercise.handed_in}</span>
            </th>
          ))}
          <th scope="col">{t("In all")}</th>
          <th scope="col">{t("Put right since")}</th>
        </tr>
      </thead>
      <tbody>
        {learned.rules.map((rule) => {
          const told = rule.improved.length + rule.again.length;
          return (
            <tr key={rule.rule}>
              <th scope="row">
                <Link to={`/rules/${rule.rule}`}>{rule.heading}</Link>
                <span className="quiet small"> {criterionLabel(rule.criterion)}</span>
              </th>
              {learned.exercises.map((exercise) => {
                const sheets = rule.sheets[exercise.id] ?? [];
                const [first] = sheets;
                return (
                  <Cell
                    key={exercise.id}
                    count={sheets.length}
                    of={exercise.handed_in}
                    to={
                      sheets.length === 1
                        ? `/sheets/${first}`
                        : `/exercises/${exercise.id}/wall?rule=${rule.rule}`
                    }
                  />
                );
              })}
              <td className="number">{rule.times}</td>
              <td className="number">
                {told > 0
                  ? t("{{improved}} of {{told}}", { improved: rule.improved.length, told })
                  : "–"}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function ByStudent({ learned }: { learned: Understanding }) {
  const most = Math.max(
    1,
    ...learned.students.flatMap((own) => Object.values(own.broken).map((rules) => rules.length)),
  );
  return (
    <table className={styles.grid}>
      <caption className="quiet small">
        {t("In each cell: how many rules the sheet breaks; a dash where none was handed in.")}
      </caption>
      <thead>
        <tr>
          <th scope="col">{t("Student")}</th>
          {learned.exercises.map((exercise) => (
            <th key={exercise.id} scope="col" className={styles.exercise}>
              {exercise.title}
            </th>
          ))}
          <th scope="col">{t("Most often")}</th>
        </tr>
      </thead>
      <tbody>
        {learned.students.map((student) => (
          <tr key={student.id}>
            <th scope="row">
              {student.name} <span className="quiet small">{student.group}</span>
            </th>
            {learned.exercises.map((exercise) => {
              const broken = student.broken[exercise.id];
              return broken ? (
                <Cell
                  key={exercise.id}
                  count={broken.length}
                  of={most}
                  to={`/sheets/${student.sheets[exercise.id]}`}
                />
              ) : (
                <td key={exercise.id} className={styles.cell}>
                  <span className="quiet">–</span>
                </td>
              );
            })}
            <td>{mostOften(student.broken, learned)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The mistakes somebody made more than once. */
function mostOften(broken: Record<string, string[]>, learned: Understanding): string {
  const times = new Map<string, number>();
  for (const rule of Object.values(broken).flat()) times.set(rule, (times.get(rule) ?? 0) + 1);
  return learned.rules
    .filter((rule) => (times.get(rule.rule) ?? 0) > 1)
    .map((rule) => rule.heading)
    .join(", ");
}
