import { Alert, Button, FileButton, Text } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Criterion, Wall } from "../api/types";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { complain, tell } from "../frame/tell";
import { CRITERIA, angleWords } from "../frame/words";
import { CloserLook } from "./CloserLook";
import { Deliveries } from "./Deliveries";
import { LensList } from "./LensList";
import { PinnedSheet } from "./PinnedSheet";
import { SharedFindings } from "./SharedFindings";
import { useDeliveries } from "./useDeliveries";
import classes from "./Wall.module.css";

export default function WallPage() {
  const exercise = Number(useParams().exercise);
  const queries = useQueryClient();
  const wall = useQuery({
    queryKey: ["wall", exercise],
    queryFn: () =>
      answer(
        api.GET("/api/exercises/{exercise_id}/wall", {
          params: { path: { exercise_id: exercise } },
        }),
      ),
  });
  const deliveries = useDeliveries(exercise);

  const returnDecided = async () => {
    try {
      const { number } = await answer(
        api.POST("/api/exercises/{exercise_id}/return", {
          params: { path: { exercise_id: exercise } },
        }),
      );
      tell(t("{{count}} sheets returned.", { count: number }));
    } catch (error) {
      complain(error);
    }
    await queries.invalidateQueries({ queryKey: ["wall", exercise] });
  };

  const sheets = wall.data?.sheets ?? [];
  const complete = sheets.filter(
    (s) => s.state === "handed-in" && s.decided === s.findings.length,
  ).length;
  const first = sheets.find((s) => s.state === "handed-in") ?? sheets[0];
  return (
    <div className="screen">
      <Header
        trail={
          wall.data && (
            <>
              <Link to="/">{t("Exercises")}</Link> / <strong>{wall.data.exercise.title}</strong> ·{" "}
              {wall.data.exercise.task.paper}, {angleWords(wall.data.exercise.task.angle)} ·{" "}
              {wall.data.exercise.school_class}
            </>
          )
        }
      >
        <Text className="quiet small" role="status">
          {wall.data &&
            t("{{number}} of {{all}} handed in", {
              number: wall.data.exercise.handed_in,
              all: wall.data.exercise.total,
            })}
        </Text>
        <Button component={Link} to={`/exercises/${exercise}/bench`} variant="default">
          {t("Model answer")}
        </Button>
        <FileButton multiple accept=".dxf" onChange={deliveries.bringIn}>
          {(props) => (
            <Button {...props} variant="default">
              {t("Bring in DXF sheets")}
            </Button>
          )}
        </FileButton>
        <Button variant="default" disabled={complete === 0} onClick={() => void returnDecided()}>
          {t("Return {{count}} sheets", { count: complete })}
        </Button>
        {first && (
          <Button component={Link} to={`/sheets/${first.id}`}>
            {t("Go to the table")}
          </Button>
        )}
      </Header>
      <Deliveries
        list={deliveries.list}
        onSettle={(key, file, student) => void deliveries.settle(key, file, student)}
        onClear={deliveries.clear}
      />
      {wall.isPending && <Waiting />}
      {wall.error && <Trouble error={wall.error} onRetry={() => void wall.refetch()} />}
      {wall.data && <Pinned wall={wall.data} />}
    </div>
  );
}

function Pinned({ wall }: { wall: Wall }) {
  const [lens, setLens] = useState<Criterion | null>(null);
  const [looked, look] = useState<number | null>(null);
  const navigate = useNavigate();
  useHotkeys([
    ["0", () => setLens(null)],
    ...CRITERIA.slice(0, 9).map((c, index): [string, () => void] => [
      String(index + 1),
      () => setLens(c.id),
    ]),
  ]);
  return (
    <div className={classes.grid}>
      <LensList wall={wall} lens={lens} onLens={setLens} />
      <main className={classes.wall} aria-label={t("Sheets")}>
        {wall.sheets.length === 0 && (
          <Alert color="ink" variant="outline" title={t("Nothing pinned up yet")} maw={480}>
            {t("Sheets appear here as students hand them in. {{count}} are still at work.", {
              count: wall.missing.length,
            })}
          </Alert>
        )}
        <div className={classes.sheets}>
          {wall.sheets.map((sheet) => (
            <PinnedSheet
              key={sheet.id}
              sheet={sheet}
              paper={wall.paper}
              lens={lens}
              onOpen={() => void navigate(`/sheets/${sheet.id}`)}
              onLook={() => look(sheet.id)}
            />
          ))}
        </div>
        {wall.missing.length > 0 && wall.sheets.length > 0 && (
          <Text className="quiet" mt="lg">
            {t("Not handed in: {{names}}", { names: wall.missing.join(", ") })}
          </Text>
        )}
      </main>
      <SharedFindings wall={wall} lens={lens} />
      {looked !== null && (
        <CloserLook sheets={wall.sheets} looked={looked} lens={lens} onLook={look} />
      )}
    </div>
  );
}
