import { Text } from "@mantine/core";

import { said, t } from "../frame/language";
import { dayAndTime, term, viewLabel } from "../frame/words";
import { type Bench, emptyFields, type Stage, stagesOf } from "./bench";
import classes from "./Bench.module.css";
import { attitudeOf, frontOf } from "./viewGraph";

interface Props {
  bench: Bench;
  stage: Stage;
  onStage: (stage: Stage) => void;
}

/** The order of the work; every stage can be opened again at any time. */
export function StageRail({ bench, stage, onStage }: Props) {
  return (
    <nav className={`${classes.rail} panel`} aria-label={t("Stages")}>
      {stagesOf(bench).map((name, index) => (
        <button
          key={name}
          type="button"
          className={classes.railStage}
          aria-current={stage === name ? "step" : undefined}
          data-done={done(bench, name)}
          onClick={() => onStage(name)}
        >
          <span className={classes.railNumber}>{index + 1}</span>
          <span>
            <span className={classes.railName}>{t(STAGE_LABELS[name])}</span>
            <Text component="span" className="quiet small" display="block">
              {summary(bench, name)}
            </Text>
          </span>
        </button>
      ))}
    </nav>
  );
}

const STAGE_LABELS: Record<Stage, string> = {
  Paper: said("Paper"),
  Front: said("Front"),
  Views: said("Views"),
  Lines: said("Lines"),
  Dimensions: said("Dimensions"),
  Parts: said("Parts"),
  Title: said("stage|Title"),
  "Looking over": said("Looking over"),
  "Hand in": said("Hand in"),
};

function done(bench: Bench, stage: Stage): boolean {
  const { document } = bench;
  switch (stage) {
    case "Paper":
      return document.views.length > 0;
    case "Front":
      return frontOf(document) !== null;
    case "Views":
      return document.views.length > 1;
    case "Lines":
      return document.marks.length > 0;
    case "Dimensions":
      return document.dimensions.length > 0;
    case "Parts":
      return document.balloons.length > 0 || Boolean(document.parts_list?.rows.length);
    case "Title":
      return emptyFields(bench).length === 0 && Boolean(document.title.angle);
    case "Looking over":
    case "Hand in":
      return false;
  }
}

function summary(bench: Bench, stage: Stage): string {
  const { document, ink, exercise } = bench;
  switch (stage) {
    case "Paper":
      return `${document.paper.size}, ${term(document.units)}`;
    case "Front": {
      const front = attitudeOf(frontOf(document) ?? undefined);
      return front
        ? t("side {{side}}, {{up}} up", {
            side: front.side.replace("-", "−"),
            up: front.up.replace("-", "−"),
          })
        : t("not chosen");
    }
    case "Views":
      return ink?.views.map((v) => viewLabel(v.name)).join(", ") || t("none yet");
    case "Lines": {
      const drafted = document.views.filter((v) => v.lines);
      const marks = t("{{count}} marks", { count: document.marks.length });
      if (drafted.length) {
        const drawn = drafted.flatMap((v) => v.lines ?? []).filter((l) => l.pen !== "construction");
        return `${t("{{count}} lines drafted", { count: drawn.length })}, ${marks}`;
      }
      const hidden = document.views.filter((v) => v.hidden && v.kind === "principal").length;
      return document.views.length
        ? `${t("hidden lines in {{views}}", { views: hidden })}, ${marks}`
        : "";
    }
    case "Dimensions":
      return t("{{count}} placed", { count: document.dimensions.length });
    case "Parts": {
      const rows = document.parts_list?.rows.length ?? 0;
      return `${t("{{count}} balloons", { count: document.balloons.length })}, ${t("{{count}} rows", { count: rows })}`;
    }
    case "Title": {
      const empty = emptyFields(bench).length;
      return empty ? t("{{count}} fields empty", { count: empty }) : t("filled in");
    }
    case "Looking over":
      return t("each view once more");
    case "Hand in":
      return t("due {{when}}", { when: dayAndTime(exercise.due_at) });
  }
}
