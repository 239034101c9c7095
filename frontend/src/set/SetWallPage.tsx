import { Button, Select, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { Criterion, SetWall, Stack } from "../api/types";
import { BringInSheets } from "../deliveries/BringInSheets";
import { Deliveries } from "../deliveries/Deliveries";
import { toWallOfSet } from "../deliveries/pins";
import { useDeliveries } from "../deliveries/useDeliveries";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import { useDeed } from "../frame/useDeed";
import { CRITERIA, points } from "../frame/words";
import { SetMenu } from "./SetMenu";
import { setWallOf } from "./setWallOf";
import { StackPage } from "./StackPage";
import classes from "./Set.module.css";

/** The wall of a set: everyone's sheets as a small stack that fans out, marks of each and in all. */
export default function SetWallPage() {
  const id = Number(useParams().set);
  const wall = useQuery(setWallOf(id));
  const pin = useMemo(() => toWallOfSet(id), [id]);
  const deliveries = useDeliveries(setWallOf(id).queryKey, pin);
  const run = useDeed(["set wall", id], ["exercises"]);
  const returnDecided = () =>
    run(async () => {
      const { number } = await answer(
        api.POST("/api/sets/{set_id}/return", { params: { path: { set_id: id } } }),
      );
      tell(t("{{count}} sheets returned.", { count: number }));
    });
  const ready = (wall.data?.stacks ?? []).filter(isDecided).length;
  return (
    <div className="screen">
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> / <strong>{wall.data?.title}</strong>{" "}
            {wall.data && `· ${wall.data.school_class}`}
          </>
        }
      >
        <BringInSheets onFiles={deliveries.bringIn} />
        {wall.data && (
          <SetMenu set={wall.data} draft={wall.data.draft} archived={wall.data.archived}>
            <Button variant="default">{t("More")}</Button>
          </SetMenu>
        )}
        <Button variant="default" disabled={ready === 0} onClick={() => void returnDecided()}>
          {t("Return {{count}} stacks", { count: ready })}
        </Button>
      </Header>
      <Deliveries
        list={deliveries.list}
        places={wall.data?.places}
        onSettle={(arrived, said) => void deliveries.settle(arrived, said)}
        onClear={deliveries.clear}
      />
      {wall.error && <Trouble error={wall.error} onRetry={() => void wall.refetch()} />}
      {wall.isPending && <Waiting />}
      {wall.data && <Stacks wall={wall.data} />}
    </div>
  );
}

/** Whether something of a stack is in and not returned, and nothing of it is left to decide. */
function isDecided({ sheets }: Stack): boolean {
  const here = sheets.filter((own) => own.sheet !== null);
  return here.every((own) => own.open === 0) && here.some((own) => own.state === "handed-in");
}

function hasCome({ sheets }: Stack): boolean {
  return sheets.some((own) => own.sheet !== null);
}

function Stacks({ wall }: { wall: SetWall }) {
  const [lens, setLens] = useState<Criterion | null>(null);
  const [place, setPlace] = useState<number | null>(null);
  const [fanned, fan] = useState<ReadonlySet<number>>(new Set());
  const here = wall.stacks.filter(hasCome);
  const away = wall.stacks.filter((own) => !hasCome(own));
  const all = here.length > 0 && here.every((own) => fanned.has(own.student));
  const found = new Set(
    wall.stacks.flatMap((own) =>
      own.sheets.flatMap((sheet) => Object.keys(sheet.found ?? {}) as Criterion[]),
    ),
  );
  const toggle = (student: number) => {
    const next = new Set(fanned);
    if (!next.delete(student)) next.add(student);
    fan(next);
  };
  return (
    <main className={classes.wall}>
      <div className={classes.wallTools}>
        <Select
          aria-label={t("Lens")}
          placeholder={t("No lens")}
          clearable
          value={lens}
          onChange={(value) => setLens(value as Criterion | null)}
          data={CRITERIA.filter((own) => found.has(own.id)).map((own) => ({
            value: own.id,
            label: t(own.label),
          }))}
        />
        <Select
          aria-label={t("Which sheets")}
          value={place === null ? "all" : String(place)}
          allowDeselect={false}
          onChange={(value) => setPlace(value === "all" ? null : Number(value))}
          data={[
            { value: "all", label: t("All sheets") },
            ...wall.places.map((own, at) => ({
              value: String(at),
              label: `${at + 1}. ${own.title}`,
            })),
          ]}
        />
        <Button
          variant="default"
          aria-pressed={all}
          onClick={() => fan(all ? new Set() : new Set(here.map((own) => own.student)))}
        >
          {all ? t("Stack them all") : t("Fan them all out")}
        </Button>
        {place !== null && wall.places[place] && (
          <Link to={`/exercises/${wall.places[place].exercise}/wall`}>
            {t("To the wall of this sheet")}
          </Link>
        )}
      </div>
      {wall.stacks.length === 0 && <Text>{t("There is nobody in this class yet.")}</Text>}
      {here.map((own) => {
        const open = place !== null || fanned.has(own.student);
        return (
          <section key={own.student} className={classes.stack} aria-label={own.name}>
            <div>
              <Title order={2} size="h5">
                {own.name}
              </Title>
              {place === null && (
                <Button
                  size="compact-sm"
                  variant="subtle"
                  px={0}
                  aria-expanded={open}
                  onClick={() => toggle(own.student)}
                >
                  {open ? t("Stack") : t("Fan out")}
                </Button>
              )}
            </div>
            <ol className={classes.pages} data-fanned={open}>
              {own.sheets.map((sheet, at) => {
                const asked = wall.places[at];
                if (!asked || (place !== null && place !== at)) return null;
                return (
                  <StackPage
                    key={sheet.exercise}
                    sheet={sheet}
                    place={asked}
                    lens={lens}
                    depth={own.sheets.length - at}
                  />
                );
              })}
            </ol>
            <div className={classes.sum}>
              <Text className="number" fz={20}>
                {points(own.points)}
                <span className="quiet small">/{points(own.of)}</span>
              </Text>
              <a
                className="small"
                href={`/api/sets/${wall.id}/students/${own.student}/sheets.pdf`}
                target="_blank"
                rel="noopener"
              >
                {t("As one PDF")}
              </a>
            </div>
          </section>
        );
      })}
      {away.length > 0 && (
        <p className={classes.away}>
          {t("Nothing handed in yet: {{names}}", {
            names: away.map((own) => own.name).join(", "),
          })}
        </p>
      )}
    </main>
  );
}
