import { Anchor, Button, Group, List, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { PartDetail, Side } from "../api/types";
import { SideView } from "../drawing/SideView";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import {
  type Attitude,
  nearestAttitude,
  sameAttitude,
  sideWords,
  tipped,
  turned,
  turnOf,
  turnOfCorner,
  usual,
} from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import { RankingList } from "./RankingList";
import classes from "./Shelf.module.css";

export default function PartPage() {
  const part = Number(useParams().part);
  const detail = useQuery({
    queryKey: ["part", part],
    queryFn: () => answer(api.GET("/api/parts/{part_id}", { params: { path: { part_id: part } } })),
  });
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/shelf">Shelf</Link> / <strong>{detail.data?.part.name ?? "…"}</strong>
          </>
        }
      >
        <Button component={Link} to={`/exercises/new?part=${part}`}>
          Set an exercise on it
        </Button>
      </Header>
      {detail.isPending && <Waiting />}
      {detail.error && <Trouble error={detail.error} onRetry={() => void detail.refetch()} />}
      {detail.data && <Opened detail={detail.data} />}
    </>
  );
}

function Opened({ detail }: { detail: PartDetail }) {
  const [attitude, setAttitude] = useState<Attitude | null>(null);
  const turn = useMemo(() => (attitude ? turnOf(attitude) : turnOfCorner("+-+", "+z")), [attitude]);
  const longest = Math.max(...detail.part.extents);
  const shown = attitude ?? usual("-y");
  return (
    <main className={classes.partGrid}>
      <section className={classes.stage} aria-label="Turntable">
        <Group justify="space-between">
          <Title order={2} size="h4">
            Turntable
          </Title>
          <Anchor component="button" size="sm" c="inherit" onClick={() => setAttitude(null)}>
            equal-axis view
          </Anchor>
        </Group>
        <div className={classes.stageModel}>
          <PartView
            part={detail.part.id}
            turn={turn}
            onTurned={(reached) => setAttitude(nearestAttitude(reached))}
            onTip={(way) => setAttitude(tipped(shown, way))}
            onRoll={(quarters) => setAttitude(turned(shown, quarters))}
            label={`${detail.part.name}; drag or use the arrow keys to turn it`}
          />
        </div>
        <Text className="quiet small">
          Drag, or use the arrow keys; <kbd>,</kbd> and <kbd>.</kbd> turn it on the spot.
        </Text>
        <Demands detail={detail} />
      </section>
      <section aria-label="Six sides">
        <Title order={2} size="h4" mb="sm">
          Its six sides
        </Title>
        <div className={classes.sides}>
          {detail.sides.map((side) => (
            <button
              key={side.side}
              type="button"
              className={classes.side}
              aria-pressed={sameAttitude(attitude, side as { side: Side; up: Side })}
              onClick={() => setAttitude({ side: side.side, up: side.up })}
            >
              <div className={classes.sideFrame}>
                <SideView
                  drawing={side}
                  span={longest}
                  label={`Seen from the ${sideWords(side.side)}`}
                />
              </div>
              <Text className="quiet small" ta="center">
                {sideWords(side.side)}
              </Text>
            </button>
          ))}
        </div>
      </section>
      <section className="panel" aria-label="Ranking of front views">
        <Title order={2} size="h4">
          Which side makes the best front view?
        </Title>
        <Text className="quiet small" mb="xs">
          All 24 attitudes by length, shape, hidden lines and natural position.
        </Text>
        <RankingList
          ranking={detail.ranking}
          chosen={attitude}
          onChoose={(entry) => setAttitude({ side: entry.side, up: entry.up })}
        />
      </section>
    </main>
  );
}

function Demands({ detail }: { detail: PartDetail }) {
  const { part } = detail;
  const sizes = part.extents.map((e) => Number(e.toFixed(3))).join(" × ");
  return (
    <div style={{ marginTop: 16 }}>
      <Title order={2} size="h4">
        What its drawing demands
      </Title>
      <List size="sm" mt={6} spacing={4}>
        <List.Item>
          {sizes} {part.unit}, {part.material || "no material given"}, {part.faces} faces
        </List.Item>
        <List.Item>
          Views: {detail.views_needed.join(", ")}
          {detail.views_repeated.map(([a, b]) => `; ${b} repeats ${a}`).join("")}
        </List.Item>
        <List.Item>
          {detail.dimensions_needed === null
            ? `Dimensions are not counted: ${detail.dimensions_reason}.`
            : `${detail.dimensions_needed} dimensions: ${Object.entries(detail.stretches)
                .map(([direction, n]) => `${n} along the ${direction}`)
                .join(", ")}, the others diameters and radii`}
        </List.Item>
        {detail.features.length > 0 && <List.Item>{detail.features.join("; ")}</List.Item>}
      </List>
    </div>
  );
}
