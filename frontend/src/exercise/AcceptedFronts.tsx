import { Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { SideDrawing, Task } from "../api/types";
import { SideView } from "../drawing/SideView";
import { useViews } from "../drawing/useViews";
import { sameAttitude, sideWords } from "../turntable/attitude";
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
  const offered = detail.data?.ranking.slice(0, OFFERED) ?? [];
  const toggle = (entry: { side: SideDrawing["side"]; up: SideDrawing["up"] }) => {
    const without = accepted.filter((a) => !sameAttitude(a, entry));
    onChange(
      without.length < accepted.length
        ? without
        : [...accepted, { side: entry.side, up: entry.up }],
    );
  };
  return (
    <section aria-label="Accepted front views">
      <Title order={2} size="h4">
        Accepted front views
      </Title>
      <Text className="quiet small" mb="xs">
        {accepted.length === 0
          ? "None picked: the ranking decides, everything within 5 points of the best is accepted."
          : `Only the ${accepted.length} picked here will be accepted.`}
      </Text>
      <div className={classes.fronts}>
        {offered.map((entry) => (
          <button
            key={entry.side + entry.up}
            type="button"
            className={classes.front}
            aria-pressed={accepted.some((a) => sameAttitude(a, entry))}
            aria-label={`${sideWords(entry.side)}, ${entry.up} up, ${entry.score} points`}
            onClick={() => toggle(entry)}
          >
            <Candidate model={model} side={entry.side} up={entry.up} />
            <Text className="small" fw={700}>
              {entry.score.toFixed(1)}
            </Text>
            <Text className="quiet" fz={12}>
              {entry.side.replace("-", "−")}, {entry.up.replace("-", "−")} up
            </Text>
          </button>
        ))}
      </div>
    </section>
  );
}

function Candidate({ model, side, up }: { model: number } & Pick<SideDrawing, "side" | "up">) {
  const views = useViews(model, { side, up }, ["front"]);
  const drawing = views.data?.[0];
  return (
    <div className={classes.frontFrame}>
      {drawing && <SideView drawing={drawing} label={`Seen from the ${sideWords(side)}`} />}
    </div>
  );
}
