import { Alert, Button, FileButton, Text } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { Criterion, Wall } from "../api/types";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { CRITERIA, plural } from "../frame/words";
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
  const [said, setSaid] = useState("");
  const deliveries = useDeliveries(exercise);

  const returnDecided = async () => {
    try {
      const { number } = await answer(
        api.POST("/api/exercises/{exercise_id}/return", {
          params: { path: { exercise_id: exercise } },
        }),
      );
      setSaid(`${plural(number, "sheet")} returned.`);
    } catch (error) {
      setSaid((error as Error).message);
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
              <Link to="/">Exercises</Link> / <strong>{wall.data.exercise.title}</strong> ·{" "}
              {wall.data.exercise.task.paper}, {wall.data.exercise.task.angle} angle ·{" "}
              {wall.data.exercise.school_class}
            </>
          )
        }
      >
        <Text className="quiet small" role="status">
          {said ||
            (wall.data &&
              `${wall.data.exercise.handed_in} of ${wall.data.exercise.total} handed in`)}
        </Text>
        <Button component={Link} to={`/exercises/${exercise}/bench`} variant="default">
          Model answer
        </Button>
        <FileButton multiple accept=".dxf" onChange={deliveries.bringIn}>
          {(props) => (
            <Button {...props} variant="default">
              Bring in DXF sheets
            </Button>
          )}
        </FileButton>
        <Button variant="default" disabled={complete === 0} onClick={() => void returnDecided()}>
          Return {plural(complete, "sheet")}
        </Button>
        {first && (
          <Button component={Link} to={`/sheets/${first.id}`}>
            Go to the table
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
      <main className={classes.wall} aria-label="Sheets">
        {wall.sheets.length === 0 && (
          <Alert color="ink" variant="outline" title="Nothing pinned up yet" maw={480}>
            Sheets appear here as students hand them in. {wall.missing.length} are still at work.
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
            />
          ))}
        </div>
        {wall.missing.length > 0 && wall.sheets.length > 0 && (
          <Text className="quiet" mt="lg">
            Not handed in: {wall.missing.join(", ")}
          </Text>
        )}
      </main>
      <SharedFindings wall={wall} lens={lens} />
    </div>
  );
}
