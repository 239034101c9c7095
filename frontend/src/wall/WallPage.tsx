import { Alert, Button, Menu, Text } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Criterion, Wall } from "../api/types";
import { BringInSheets } from "../deliveries/BringInSheets";
import { Deliveries } from "../deliveries/Deliveries";
import { toWallOf } from "../deliveries/pins";
import { useDeliveries } from "../deliveries/useDeliveries";
import { ExerciseMenu } from "../exercise/ExerciseMenu";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import { useDeed } from "../frame/useDeed";
import { CRITERIA, angleWords } from "../frame/words";
import { OutboxNote } from "../marking/OutboxNote";
import { useNews } from "../marking/useNews";
import { wallOf } from "../marking/wallOf";
import { CloserLook } from "./CloserLook";
import { KindList } from "./KindList";
import { LensList } from "./LensList";
import { Missing } from "./Missing";
import { NearCopies } from "./NearCopies";
import {
  arranged,
  type Chosen,
  kindsOf,
  OPEN_SIEVE,
  type Order,
  type Sieve,
  standingOf,
} from "./pile";
import { PinnedSheet } from "./PinnedSheet";
import { type Size, WallTools } from "./WallTools";
import classes from "./Wall.module.css";

export default function WallPage() {
  const exercise = Number(useParams().exercise);
  const wall = useQuery(wallOf(exercise));
  const pin = useMemo(() => toWallOf(exercise), [exercise]);
  const deliveries = useDeliveries(wallOf(exercise).queryKey, pin);
  const [alike, setAlike] = useState(false);
  useNews(exercise, true);

  const run = useDeed(["wall", exercise]);
  const returnDecided = () =>
    run(async () => {
      const { number } = await answer(
        api.POST("/api/exercises/{exercise_id}/return", {
          params: { path: { exercise_id: exercise } },
        }),
      );
      tell(t("{{count}} sheets returned.", { count: number }));
    });

  const sheets = wall.data?.sheets ?? [];
  const complete = sheets.filter((sheet) => standingOf(sheet) === "decided").length;
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
        <OutboxNote />
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
        <BringInSheets onFiles={deliveries.bringIn} />
        <Button variant="default" disabled={complete === 0} onClick={() => void returnDecided()}>
          {t("Return {{count}} sheets", { count: complete })}
        </Button>
        {wall.data && (
          <ExerciseMenu
            exercise={wall.data.exercise}
            more={<Menu.Item onClick={() => setAlike(true)}>{t("Sheets much alike")}</Menu.Item>}
          >
            <Button variant="default">{t("More")}</Button>
          </ExerciseMenu>
        )}
        {first && (
          <Button component={Link} to={`/sheets/${first.id}`}>
            {t("Go to the table")}
          </Button>
        )}
      </Header>
      <Deliveries
        list={deliveries.list}
        onSettle={(arrived, said) => void deliveries.settle(arrived, said)}
        onClear={deliveries.clear}
      />
      {alike && <NearCopies exercise={exercise} onClose={() => setAlike(false)} />}
      {wall.isPending && <Waiting />}
      {wall.error && <Trouble error={wall.error} onRetry={() => void wall.refetch()} />}
      {wall.data && <Pinned wall={wall.data} />}
    </div>
  );
}

/** The first kind of mistake by which a rule is broken here. */
function kindOfRule(wall: Wall, rule: string | null): Chosen | null {
  const found = rule && kindsOf(wall.sheets, null).find((kind) => kind.finding.rule === rule);
  return found ? { kind: found.kind, share: null } : null;
}

function Pinned({ wall }: { wall: Wall }) {
  const [lens, setLens] = useState<Criterion | null>(null);
  const [search] = useSearchParams();
  const [chosen, choose] = useState<Chosen | null>(() => kindOfRule(wall, search.get("rule")));
  const [looked, look] = useState<number | null>(null);
  const [order, setOrder] = useState<Order>("name");
  const [sieve, setSieve] = useState<Sieve>(OPEN_SIEVE);
  const [size, setSize] = useState<Size>("usual");
  const navigate = useNavigate();
  const open = useCallback((sheet: number) => void navigate(`/sheets/${sheet}`), [navigate]);
  const through = (next: Criterion | null) => {
    setLens(next);
    choose(null);
  };
  useHotkeys([
    ["0", () => through(null)],
    ...CRITERIA.slice(0, 9).map((c, index): [string, () => void] => [
      String(index + 1),
      () => through(c.id),
    ]),
    ["Escape", () => choose(null)],
  ]);
  const sheets = useMemo(
    () => arranged(wall.sheets, order, sieve, chosen),
    [wall.sheets, order, sieve, chosen],
  );
  return (
    <div className={classes.grid}>
      <LensList wall={wall} lens={lens} onLens={through} />
      <main className={classes.wall} aria-label={t("Sheets")}>
        {wall.sheets.length === 0 ? (
          <Alert color="ink" variant="outline" title={t("Nothing pinned up yet")} maw={480}>
            {t("Sheets appear here as students hand them in. {{count}} are still at work.", {
              count: wall.missing.length,
            })}
          </Alert>
        ) : (
          <WallTools
            order={order}
            onOrder={setOrder}
            sieve={sieve}
            onSieve={setSieve}
            size={size}
            onSize={setSize}
            shown={sheets.length}
            all={wall.sheets.length}
          />
        )}
        <div className={classes.sheets} data-size={size}>
          {sheets.map((sheet) => (
            <PinnedSheet
              key={sheet.id}
              sheet={sheet}
              paper={wall.paper}
              lens={lens}
              chosen={chosen}
              onOpen={open}
              onLook={look}
            />
          ))}
        </div>
        <Missing wall={wall} />
      </main>
      <KindList
        sheets={wall.sheets}
        exercise={wall.exercise.id}
        lens={lens}
        chosen={chosen}
        onChoose={choose}
      />
      {looked !== null && (
        <CloserLook sheets={sheets} looked={looked} lens={lens} chosen={chosen} onLook={look} />
      )}
    </div>
  );
}
