import { Button, Group, Text, Title } from "@mantine/core";
import { useState } from "react";

import { viewWords } from "../../frame/words";
import { t } from "../../frame/language";
import type { View } from "../../api/types";
import { useViews } from "../../drawing/useViews";
import { SideView } from "../../drawing/SideView";
import { type Attitude, sameAttitude, sideWords } from "../../turntable/attitude";
import { PartView } from "../../turntable/PartView";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";
import { centredAt, centreOf, nextId } from "../geometry";
import { attitudeOf, frontOf, withFront } from "../viewGraph";
import { startingScale, startingPlace } from "./placing";
import { TurnButtons } from "../../turntable/TurnButtons";
import { useBenchTurning } from "./useBenchTurning";

const MOST_CANDIDATES = 3;

/** Turn the part, try two or three candidates, compare the views each would bring, take one. */
export function FrontStage({ bench }: { bench: Bench }) {
  const turning = useBenchTurning(bench);
  const [candidates, setCandidates] = useState<Attitude[]>([]);
  const { attitude } = turning;
  const byHand = bench.exercise.task.drafting.kind === "drafted";
  const { document, draft } = bench;
  const front = attitudeOf(frontOf(document) ?? undefined);

  const take = ({ side, up }: Attitude) =>
    draft.change((now) => {
      const old = frontOf(now);
      const id = old?.id ?? nextId("v", now.views);
      const fresh: View = {
        id,
        kind: "principal",
        look: { side, up },
        parent: null,
        at: [0, 0],
        scale: old?.scale ?? startingScale(bench),
        hidden: true,
        smooth: false,
        mirrored: false,
        lines: byHand ? [] : null,
      };
      const centre = old
        ? centreOf(old, bench.middle, bench.up, bench.unit)
        : startingPlace(bench, "front");
      const placed = centredAt(fresh, bench.middle, bench.up, bench.unit, centre);
      const others = now.views.filter((v) => v.id !== id);
      return {
        ...now,
        views: withFront([placed, ...others], id),
        // What hung on the old front view measured another side.
        dimensions: now.dimensions.filter((d) => d.view !== id),
        marks: now.marks.filter((m) => m.view !== id),
      };
    });

  return (
    <>
      <Title order={2} size="h4">
        {t("Front")}
      </Title>
      <Text className="quiet small" mb={6}>
        {t("Longest size across, most shape, fewest hidden lines in all views, natural position.")}
      </Text>
      <div className={classes.model} style={{ height: 220 }}>
        <PartView {...turning.view} />
      </div>
      <TurnButtons attitude={attitude} onChoose={turning.setAttitude} />
      {attitude && !byHand && <Candidate bench={bench} attitude={attitude} />}
      <Group mt="xs" gap={8}>
        <Button size="xs" disabled={!attitude} onClick={() => attitude && take(attitude)}>
          {t("Take as front view")}
        </Button>
        {!byHand && (
          <Button
            size="xs"
            variant="default"
            disabled={!attitude || candidates.some((c) => sameAttitude(c, attitude))}
            onClick={() =>
              attitude && setCandidates([attitude, ...candidates].slice(0, MOST_CANDIDATES))
            }
          >
            {t("Keep to compare")}
          </Button>
        )}
      </Group>
      {front && (
        <Text className="small" mt="xs">
          {t("Front view now: {{side}}.", { side: sideWords(front.side) })}
          {byHand && ` ${t("The sheet waits for its lines: draw them under Lines.")}`}
        </Text>
      )}
      {candidates.length > 0 && (
        <>
          <Title order={3} size="h5" mt="md">
            {t("Candidates")}
          </Title>
          {candidates.map((candidate) => (
            <div key={candidate.side + candidate.up}>
              <Candidate bench={bench} attitude={candidate} />
              <Button size="compact-xs" variant="default" mt={4} onClick={() => take(candidate)}>
                {t("Take this one")}
              </Button>
            </div>
          ))}
        </>
      )}
    </>
  );
}

/** The three views a front view would bring, with their hidden lines counted. */
function Candidate({ bench, attitude }: { bench: Bench; attitude: Attitude }) {
  const views = useViews(bench.exercise.model, attitude);
  if (!views.data) return <div style={{ height: 96 }} />;
  const span = Math.max(...views.data.map(({ box: [l, b, r, t] }) => Math.max(r - l, t - b)));
  const hidden = views.data.reduce((sum, view) => sum + view.hidden_lines, 0);
  return (
    <div style={{ marginTop: 10 }}>
      <div className={classes.candidates}>
        {views.data.map((view) => (
          <div key={view.name}>
            <SideView drawing={view} span={span} label={viewWords(view.name)} />
          </div>
        ))}
      </div>
      <Text className="small" mt={2}>
        {t("Front, top and right bring {{count}} hidden lines.", { count: hidden })}
      </Text>
    </div>
  );
}
