import { Button, CloseButton, Group, Select, Switch, Text, Title } from "@mantine/core";
import { useState } from "react";

import { attitudeWords, term, viewLabel, viewWords } from "../../frame/words";
import { t } from "../../frame/language";
import type { View, ViewLook } from "../../api/types";
import { attitudeOf, frontOf, withFront } from "../viewGraph";
import { nearestCorner } from "../../turntable/attitude";
import { PartView } from "../../turntable/PartView";
import { type Bench, without } from "../bench";
import { inLine } from "../snapping";
import classes from "../Bench.module.css";
import { centredAt, centreOf, MM_PER_UNIT, nextId, spanInView } from "../geometry";
import { freePlace, SCALES, scaleLabel, startingPlace, startingScale } from "./placing";
import { AidButton } from "./AidButton";
import { LiningUp } from "./LiningUp";
import { PictorialFields } from "./PictorialFields";
import { SpecialPanel } from "./SpecialPanel";
import { TurnButtons } from "../../turntable/TurnButtons";
import { useBenchTurning } from "./useBenchTurning";

/** Add a view by choosing how to look; where it stands is for the drafter to decide. */
export function ViewsStage({ bench }: { bench: Bench }) {
  const turning = useBenchTurning(bench);
  const { draft, document, middle, up, unit } = bench;
  const { attitude } = turning;
  const [ownCorner, setOwnCorner] = useState(false);
  const suited = bench.ink?.corner;
  const corner = suited && !ownCorner ? suited : nearestCorner(turning.view.turn, up);
  const byHand = bench.exercise.task.drafting.kind === "drafted";

  const add = (look: ViewLook, what: "view" | "pictorial") => {
    const id = nextId(what === "view" ? "v" : "p", document.views);
    const view: View = {
      id,
      kind: what === "view" ? "principal" : "pictorial",
      look,
      parent: null,
      at: [0, 0],
      scale: startingScale(bench),
      hidden: what === "view",
      smooth: false,
      mirrored: false,
      lines: byHand && what === "view" ? [] : null,
    };
    const factor = view.scale * MM_PER_UNIT[unit];
    const [wide, high] = spanInView(view, bench.extents, up);
    const near = startingPlace(bench, what);
    const place = bench.paper
      ? freePlace(
          near,
          [factor * wide, factor * high],
          bench.ink?.views.map((drawn) => drawn.box) ?? [],
          bench.paper.drawing_area,
        )
      : near;
    const placed = centredAt(view, middle, up, unit, place);
    draft.change((now) => {
      const views = [...now.views, placed];
      const front = frontOf(now)?.id ?? (what === "view" ? id : null);
      const next = { ...now, views: front ? withFront(views, front) : views };
      return inLine(bench, next, id, 0);
    });
    bench.select({ role: "view", id });
    bench.setTool("move");
    bench.hang(id);
  };
  const rescale = (view: View, scale: number): View =>
    centredAt({ ...view, scale }, middle, up, unit, centreOf(view, middle, up, unit));
  const setScale = (ids: string[], scale: number) =>
    draft.change((now) => ({
      ...now,
      views: now.views.map((v) => (ids.includes(v.id) ? rescale(v, scale) : v)),
    }));
  const choices = SCALES.map((s) => ({ value: String(s.value), label: s.label }));
  const common = document.views[0] ? String(document.views[0].scale) : null;

  return (
    <>
      <Title order={2} size="h4">
        {t("Views")}
      </Title>
      <div className={classes.model} style={{ height: 190, marginTop: 6 }}>
        <PartView {...turning.view} />
      </div>
      <TurnButtons attitude={attitude} onChoose={turning.setAttitude} />
      <Group gap={8} mt={8}>
        <Button
          size="xs"
          disabled={!attitude}
          onClick={() => attitude && add({ side: attitude.side, up: attitude.up }, "view")}
        >
          {byHand ? t("Draft this view") : t("Add this view")}
        </Button>
        <Button size="xs" variant="default" onClick={() => add({ corner, turn: 0 }, "pictorial")}>
          {t("Add pictorial")}
        </Button>
      </Group>
      <SpecialPanel bench={bench} />
      <PictorialFields bench={bench} ownCorner={ownCorner} onOwnCorner={setOwnCorner} />
      <LiningUp bench={bench} />
      {document.views.length > 0 && (
        <Select
          mt="sm"
          size="xs"
          label={t("Scale of all views")}
          data={choices}
          value={common}
          allowDeselect={false}
          onChange={(value) =>
            value &&
            setScale(
              document.views.map((v) => v.id),
              Number(value),
            )
          }
        />
      )}
      <div style={{ marginTop: 12 }}>
        {document.views.length === 0 && (
          <Text className="quiet small">
            {t("No view yet. Turn the part and add what you see.")}
          </Text>
        )}
        {document.views.map((view) => (
          <ViewRow
            key={view.id}
            bench={bench}
            view={view}
            choices={choices}
            onScale={(s) => setScale([view.id], s)}
          />
        ))}
      </div>
      <Switch
        mt="md"
        size="sm"
        label={t("Measure the white space")}
        checked={bench.spaces}
        onChange={(e) => bench.setSpaces(e.currentTarget.checked)}
      />
      {bench.ink?.gaps.map((sum) => (
        <Text key={sum} className="quiet small" mt={4}>
          {t("Even gaps {{sum}}", { sum })}
        </Text>
      ))}
      {bench.ink?.scale_words && (
        <Text className="quiet small" mt={4}>
          {bench.ink.scale_words}
        </Text>
      )}
      {!bench.exercise.task.scale && (
        <AidButton bench={bench} aid="scale" label={t("Take the proposed scale")} />
      )}
      <AidButton bench={bench} aid="even gaps" label={t("Even out the gaps")} />
    </>
  );
}

interface RowProps {
  bench: Bench;
  view: View;
  choices: { value: string; label: string }[];
  onScale: (scale: number) => void;
}

function ViewRow({ bench, view, choices, onScale }: RowProps) {
  const name = bench.ink?.views.find((v) => v.id === view.id)?.name ?? "view";
  const selected = bench.selection?.id === view.id;
  const attitude = attitudeOf(view);
  const remove = () => {
    bench.draft.change((now) => without(now, { role: "view", id: view.id }));
    bench.select(null);
  };
  return (
    <Group className={classes.viewRow} data-selected={selected} gap={8} wrap="nowrap">
      <Button
        variant={selected ? "filled" : "default"}
        size="compact-sm"
        onClick={() => bench.select(selected ? null : { role: "view", id: view.id })}
        aria-pressed={selected}
      >
        {frontOf(bench.document)?.id === view.id ? viewLabel("front") : viewLabel(name)}
      </Button>
      <Text className="quiet small" style={{ flex: 1 }} truncate>
        {attitude
          ? attitudeWords(attitude)
          : view.kind === "pictorial"
            ? t("equal axes")
            : (view.letter ?? term(view.kind))}
      </Text>
      <Select
        aria-label={t("Scale of the {{view}}", { view: viewWords(name) })}
        size="xs"
        w={78}
        data={choices}
        value={String(view.scale)}
        placeholder={scaleLabel(view)}
        allowDeselect={false}
        onChange={(value) => value && onScale(Number(value))}
      />
      <CloseButton
        size={24}
        aria-label={t("Take the {{view}} away", { view: viewWords(name) })}
        onClick={remove}
      />
    </Group>
  );
}
