import { Button, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";

import { attitudeWords } from "../frame/words";
import { t, written } from "../frame/language";
import { answer, api } from "../api/client";
import type { ModelDetail, SideDrawing, Task } from "../api/types";
import { SideView } from "../drawing/SideView";
import { useViews } from "../drawing/useViews";
import { type Attitude, sameAttitude, sideWords } from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import { TurnButtons } from "../turntable/TurnButtons";
import { useTurning } from "../turntable/useTurning";
import classes from "./Exercises.module.css";

interface Props {
  model: number;
  accepted: Task["front"]["accept"];
  onChange: (accepted: Task["front"]["accept"]) => void;
}

const OFFERED = 8;

/** The best-ranked front views; those taken in are the only ones accepted. */
export function AcceptedFronts({ model, accepted, onChange }: Props) {
  const detail = useQuery({
    queryKey: ["model", model],
    staleTime: Infinity,
    queryFn: () =>
      answer(api.GET("/api/models/{model_id}", { params: { path: { model_id: model } } })),
  });
  const ranking = detail.data?.ranking ?? [];
  // The best ones, and whatever else was taken from the turntable.
  const offered = ranking.filter(
    (entry, rank) => rank < OFFERED || accepted.some((a) => sameAttitude(a, entry)),
  );
  const toggle = (entry: Attitude) => {
    const without = accepted.filter((a) => !sameAttitude(a, entry));
    onChange(
      without.length < accepted.length
        ? without
        : [...accepted, { side: entry.side, up: entry.up }],
    );
  };
  return (
    <section aria-label={t("Accepted front views")}>
      <Title order={2} size="h4">
        {t("Accepted front views")}
      </Title>
      <Text className="quiet small" mb="xs">
        {accepted.length === 0
          ? t(
              "None picked: the ranking decides, everything within 5 points of the best is accepted.",
            )
          : t("Only the {{count}} picked here will be accepted.", { count: accepted.length })}
      </Text>
      <div className={classes.fronts}>
        {offered.map((entry) => (
          <button
            key={entry.side + entry.up}
            type="button"
            className={classes.front}
            aria-pressed={accepted.some((a) => sameAttitude(a, entry))}
            aria-label={t("{{side}}, {{up}} up, {{score}} points", {
              side: sideWords(entry.side),
              up: entry.up,
              score: entry.score,
            })}
            onClick={() => toggle(entry)}
          >
            <Candidate model={model} side={entry.side} up={entry.up} />
            <Text className="small" fw={700}>
              {written(entry.score, 1, true)}
            </Text>
            <Text className="quiet" fz={12}>
              {attitudeWords(entry)}
            </Text>
          </button>
        ))}
      </div>
      {detail.data && (
        <FromTurntable model={model} detail={detail.data} accepted={accepted} onToggle={toggle} />
      )}
    </section>
  );
}

interface FromTurntableProps {
  model: number;
  detail: ModelDetail;
  accepted: readonly Attitude[];
  onToggle: (attitude: Attitude) => void;
}

/** Any other front view: the part is turned to it. */
function FromTurntable({ model, detail, accepted, onToggle }: FromTurntableProps) {
  const { attitude, setAttitude, hands } = useTurning(detail.natural_up ?? "+z");
  const taken = attitude !== null && accepted.some((a) => sameAttitude(a, attitude));
  return (
    <details className={classes.another}>
      <summary>{t("Another one, from the turntable")}</summary>
      <div className={classes.anotherModel}>
        <PartView
          model={model}
          {...hands}
          label={t("{{part}}; drag, turn the wheel or use the arrow keys to turn it", {
            part: detail.name,
          })}
        />
      </div>
      <TurnButtons attitude={attitude} onChoose={setAttitude} />
      <Button
        size="xs"
        mt="xs"
        variant={taken ? "default" : "filled"}
        disabled={!attitude}
        onClick={() => attitude && onToggle(attitude)}
      >
        {taken ? t("Do not accept it") : t("Accept it as a front view")}
      </Button>
    </details>
  );
}

function Candidate({ model, side, up }: { model: number } & Pick<SideDrawing, "side" | "up">) {
  const views = useViews(model, { side, up }, ["front"]);
  const drawing = views.data?.[0];
  return (
    <div className={classes.frontFrame}>
      {drawing && (
        <SideView
          drawing={drawing}
          label={t("Seen from the {{side}}", { side: sideWords(side) })}
        />
      )}
    </div>
  );
}
