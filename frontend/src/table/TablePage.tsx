import { Button, Text } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Sheet } from "../api/types";
import { FileMenu } from "../drawing/FileMenu";
import { Header } from "../frame/Header";
import { useMe } from "../frame/me";
import { Trouble, Waiting } from "../frame/Messages";
import { dayAndTime } from "../frame/words";
import { useReader } from "../reader/useReader";
import { ReviewedSheet } from "./ReviewedSheet";
import { Slip } from "./Slip";
import classes from "./Table.module.css";
import { TableSide } from "./TableSide";
import { useMarking } from "./useMarking";

export default function TablePage() {
  const id = Number(useParams().sheet);
  const sheet = useQuery({
    queryKey: ["sheet", id],
    queryFn: () =>
      answer(api.GET("/api/sheets/{sheet_id}", { params: { path: { sheet_id: id } } })),
  });
  if (sheet.isPending)
    return (
      <>
        <Header />
        <Waiting />
      </>
    );
  if (sheet.error)
    return (
      <>
        <Header />
        <Trouble error={sheet.error} onRetry={() => void sheet.refetch()} />
      </>
    );
  // Pointing and choosing begin anew with every sheet.
  return <Opened key={id} sheet={sheet.data} />;
}

function Opened({ sheet }: { sheet: Sheet }) {
  const me = useMe();
  const navigate = useNavigate();
  const [pointed, setPointed] = useState<number | null>(null);
  const [chosen, setChosen] = useState<number | null>(sheet.findings[0]?.number ?? null);
  const lit = pointed ?? chosen;
  const teaching = me.role === "instructor";
  const number = sheet.neighbours.indexOf(sheet.id);
  const go = (step: number) => {
    const next = sheet.neighbours[number + step];
    if (next !== undefined) void navigate(`/sheets/${next}`);
  };

  const marking = useMarking(sheet);
  const { decide, giveBack } = marking;
  const settle = (decision: "upheld" | "waived") => {
    if (chosen === null || !teaching || sheet.state === "returned") return;
    decide.mutate({ number: chosen, decision });
    const next = sheet.findings.find((f) => f.number > chosen && f.decision === null);
    if (next) setChosen(next.number);
  };
  const step = (way: number) => {
    const at = sheet.findings.findIndex((f) => f.number === chosen);
    const next = sheet.findings[at + way];
    if (next) setChosen(next.number);
  };
  useHotkeys([
    ["[", () => go(-1)],
    ["]", () => go(1)],
    ["ArrowDown", () => step(1)],
    ["ArrowUp", () => step(-1)],
    ["U", () => settle("upheld")],
    ["X", () => settle("waived")],
  ]);

  const finding = sheet.findings.find((f) => f.number === lit);
  const reader = useReader({ kind: "sheet", sheet: sheet.id }, sheet.reviewed);
  const { exercise } = sheet;
  return (
    <div className="screen">
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> /{" "}
            {teaching ? (
              <Link to={`/exercises/${exercise.id}/wall`}>{exercise.title}</Link>
            ) : (
              exercise.title
            )}{" "}
            / <strong>{teaching ? sheet.student : t("your sheet")}</strong>
            {sheet.handed_in_at &&
              ` · ${t("handed in {{when}}", { when: dayAndTime(sheet.handed_in_at) })}`}
            {sheet.late && ` · ${t("late")}`}
          </>
        }
      >
        {teaching && (
          <>
            <Button variant="default" disabled={number <= 0} onClick={() => go(-1)}>
              {t("Previous")} <kbd className={classes.key}>[</kbd>
            </Button>
            <Text className="quiet small">
              {t("{{number}} of {{all}}", { number: number + 1, all: sheet.neighbours.length })}
            </Text>
            <Button
              variant="default"
              disabled={number >= sheet.neighbours.length - 1}
              onClick={() => go(1)}
            >
              {t("Next")} <kbd className={classes.key}>]</kbd>
            </Button>
            <Button
              disabled={sheet.state === "returned"}
              loading={giveBack.isPending}
              onClick={() => giveBack.mutate()}
            >
              {sheet.state === "returned" ? t("Returned") : t("Return sheet")}
            </Button>
          </>
        )}
        {!teaching && sheet.state === "returned" && (
          <FileMenu of={`/api/exercises/${exercise.id}/answer/drawing`} label={t("Model answer")} />
        )}
        <FileMenu of={`/api/sheets/${sheet.id}/drawing`} />
      </Header>
      <div className={classes.grid}>
        <TableSide sheet={sheet} finding={finding} reader={reader} />
        <main className={classes.stage} aria-label={t("Sheet")}>
          <ReviewedSheet
            sheet={sheet}
            reader={reader}
            lit={lit}
            onPoint={setPointed}
            onChoose={setChosen}
          />
        </main>
        <Slip
          sheet={sheet}
          chosen={chosen}
          onPoint={setPointed}
          onChoose={setChosen}
          marking={marking}
        />
      </div>
    </div>
  );
}
