import { Text, Title } from "@mantine/core";

import { t, written } from "../frame/language";
import type { Ranked } from "../api/types";
import { SideView } from "../drawing/SideView";
import { useViews } from "../drawing/useViews";
import { viewWords } from "../frame/words";
import { type Attitude, sameAttitude, sideWords } from "../turntable/attitude";
import classes from "./Shelf.module.css";

interface Props {
  model: number;
  ranking: Ranked[];
  chosen: Attitude | null;
  onChoose: (attitude: Attitude) => void;
  /** Longest size of the part: all views keep one scale. */
  span: number;
  lit?: readonly number[];
  onPoint: (edges: readonly number[] | undefined) => void;
}

const SIDE_BY_SIDE = 3;

/** The best candidates that look different, and the one in hand if it is none of them. */
function candidates(ranking: Ranked[], chosen: Attitude | null): Ranked[] {
  const found: Ranked[] = [];
  for (const entry of ranking) {
    const twin = found.some((f) =>
      f.equal_to.some(([side, up]) => side === entry.side && up === entry.up),
    );
    if (!twin && found.length < SIDE_BY_SIDE) found.push(entry);
  }
  const own = ranking.find((entry) => sameAttitude(chosen, entry));
  if (own && !found.includes(own)) found[SIDE_BY_SIDE - 1] = own;
  return found;
}

/** Candidates for the front view side by side, each with the set of views it would bring. */
export function ViewSets({ ranking, chosen, onChoose, ...rest }: Props) {
  return (
    <section aria-label={t("Candidates for the front view")}>
      <Title order={2} size="h4" mt="lg">
        {t("The views each front view brings")}
      </Title>
      <Text className="quiet small" mb="xs">
        {t("The best candidates side by side, in third-angle places.")}
      </Text>
      <div className={classes.viewSets}>
        {candidates(ranking, chosen).map((entry) => (
          <button
            key={entry.side + entry.up}
            type="button"
            className={classes.side}
            aria-pressed={sameAttitude(chosen, entry)}
            onClick={() => onChoose({ side: entry.side, up: entry.up })}
          >
            <ViewSet {...rest} entry={entry} />
          </button>
        ))}
      </div>
    </section>
  );
}

function ViewSet({
  model,
  entry,
  span,
  lit,
  onPoint,
}: Omit<Props, "ranking" | "chosen" | "onChoose"> & { entry: Ranked }) {
  const { side, up } = entry;
  const views = useViews(model, entry);
  return (
    <>
      <span className={classes.viewSet}>
        {views.data?.map((view) => (
          <span key={view.name} style={{ gridArea: view.name }}>
            <SideView
              drawing={view}
              span={span}
              lit={lit}
              onPoint={(edges) => onPoint(edges ?? undefined)}
              label={viewWords(view.name)}
            />
          </span>
        ))}
      </span>
      <Text className="small" ta="center" fw={700}>
        {t("{{score}} points", { score: written(entry.score, 1, true) })}
      </Text>
      <Text className="quiet small" ta="center">
        {sideWords(side)}, {t("{{up}} up", { up: up.replace("-", "−") })}
        <br />
        {t("{{count}} hidden lines", { count: entry.hidden_lines })}
      </Text>
    </>
  );
}
