import { Button, CloseButton, Group, Select, Switch, Text, Title } from "@mantine/core";

import type { View } from "../../api/types";
import { nearestCorner } from "../../turntable/attitude";
import { PartView } from "../../turntable/PartView";
import { type Bench, without } from "../bench";
import classes from "../Bench.module.css";
import { centredAt, centreOf, nextId } from "../geometry";
import { SCALES, scaleLabel, startingPlace, startingScale } from "./placing";
import { AidButton } from "./AidButton";
import { TurnButtons } from "./TurnButtons";
import { useBenchTurning } from "./useBenchTurning";

/** Add a view by choosing how to look; where it stands is for the drafter to decide. */
export function ViewsStage({ bench }: { bench: Bench }) {
  const turning = useBenchTurning(bench);
  const { draft, document, middle, up, unit } = bench;
  const { attitude } = turning;
  const byHand = bench.exercise.task.drafting.kind === "drafted";

  const add = (how: Pick<View, "side" | "up" | "corner">, what: "view" | "pictorial") => {
    const id = nextId(what === "view" ? "v" : "p", document.views);
    const view: View = {
      ...how,
      id,
      at: [0, 0],
      scale: startingScale(bench),
      hidden: what === "view",
      smooth: false,
      turn: 0,
      mirrored: false,
      lines: byHand && what === "view" ? [] : null,
    };
    const placed = centredAt(view, middle, up, unit, startingPlace(bench, what));
    draft.change((now) => ({ ...now, views: [...now.views, placed], front: now.front ?? id }));
    bench.select({ role: "view", id });
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
        Views
      </Title>
      <div className={classes.model} style={{ height: 190, marginTop: 6 }}>
        <PartView {...turning.view} />
      </div>
      <TurnButtons attitude={attitude} onChoose={turning.setAttitude} />
      <Group gap={8} mt={8}>
        <Button
          size="xs"
          disabled={!attitude}
          onClick={() =>
            attitude && add({ side: attitude.side, up: attitude.up, corner: null }, "view")
          }
        >
          {byHand ? "Draft this view" : "Add this view"}
        </Button>
        <Button
          size="xs"
          variant="default"
          onClick={() =>
            add({ side: null, up: null, corner: nearestCorner(turning.view.turn, up) }, "pictorial")
          }
        >
          Add pictorial
        </Button>
      </Group>
      <Switch
        mt="md"
        size="sm"
        label="Snap to the front view's projection lines"
        checked={bench.snapping}
        onChange={(e) => bench.setSnapping(e.currentTarget.checked)}
      />
      {document.views.length > 0 && (
        <Select
          mt="sm"
          size="xs"
          label="Scale of all views"
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
          <Text className="quiet small">No view yet. Turn the part and add what you see.</Text>
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
        label="Measure the white space"
        checked={bench.spaces}
        onChange={(e) => bench.setSpaces(e.currentTarget.checked)}
      />
      {bench.ink?.gaps.map((sum) => (
        <Text key={sum} className="quiet small" mt={4}>
          Even gaps {sum}
        </Text>
      ))}
      {bench.ink?.scale_words && (
        <Text className="quiet small" mt={4}>
          {bench.ink.scale_words}
        </Text>
      )}
      {!bench.exercise.task.scale && (
        <AidButton bench={bench} aid="scale" label="Take the proposed scale" />
      )}
      <AidButton bench={bench} aid="even gaps" label="Even out the gaps" />
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
        {bench.document.front === view.id ? "front" : name}
      </Button>
      <Text className="quiet small" style={{ flex: 1 }} truncate>
        {view.corner
          ? "equal axes"
          : `${view.side?.replace("-", "−")}, ${view.up?.replace("-", "−")} up`}
      </Text>
      <Select
        aria-label={`Scale of the ${name} view`}
        size="xs"
        w={78}
        data={choices}
        value={String(view.scale)}
        placeholder={scaleLabel(view)}
        allowDeselect={false}
        onChange={(value) => value && onScale(Number(value))}
      />
      <CloseButton size="sm" aria-label={`Take the ${name} view away`} onClick={remove} />
    </Group>
  );
}
