import { Text } from "@mantine/core";

import { dayAndTime, plural } from "../frame/words";
import { type Bench, type Stage, stagesOf } from "./bench";
import classes from "./Bench.module.css";

interface Props {
  bench: Bench;
  stage: Stage;
  onStage: (stage: Stage) => void;
}

/** The order of the work; every stage can be opened again at any time. */
export function StageRail({ bench, stage, onStage }: Props) {
  return (
    <nav className={`${classes.rail} panel`} aria-label="Stages">
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
            <span className={classes.railName}>{name}</span>
            <Text component="span" className="quiet small" display="block">
              {summary(bench, name)}
            </Text>
          </span>
        </button>
      ))}
    </nav>
  );
}

function emptyFields({ document, exercise }: Bench): number {
  return exercise.task.title_fields.filter((f) =>
    f === "angle" ? !document.title.angle : !document.title.fields[f]?.trim(),
  ).length;
}

function done(bench: Bench, stage: Stage): boolean {
  const { document } = bench;
  switch (stage) {
    case "Paper":
      return document.views.length > 0;
    case "Front":
      return Boolean(document.front);
    case "Views":
      return document.views.length > 1;
    case "Lines":
      return document.marks.length > 0;
    case "Dimensions":
      return document.dimensions.length > 0;
    case "Title":
      return emptyFields(bench) === 0 && Boolean(document.title.angle);
    case "Hand in":
      return false;
  }
}

function summary(bench: Bench, stage: Stage): string {
  const { document, ink, exercise } = bench;
  switch (stage) {
    case "Paper":
      return `${document.paper.size}, ${document.units}`;
    case "Front": {
      const front = document.views.find((v) => v.id === document.front);
      return front
        ? `side ${front.side?.replace("-", "−")}, ${front.up?.replace("-", "−")} up`
        : "not chosen";
    }
    case "Views":
      return ink?.views.map((v) => v.name).join(", ") || "none yet";
    case "Lines": {
      const drafted = document.views.filter((v) => v.lines);
      const marks = plural(document.marks.length, "mark");
      if (drafted.length) {
        const drawn = drafted.flatMap((v) => v.lines ?? []).filter((l) => l.pen !== "construction");
        return `${plural(drawn.length, "line")} drafted, ${marks}`;
      }
      const hidden = document.views.filter((v) => v.hidden && v.side).length;
      return document.views.length ? `hidden lines in ${hidden}, ${marks}` : "";
    }
    case "Dimensions":
      return `${document.dimensions.length} placed`;
    case "Title": {
      const empty = emptyFields(bench);
      return empty ? `${plural(empty, "field")} empty` : "filled in";
    }
    case "Hand in":
      return `due ${dayAndTime(exercise.due_at)}`;
  }
}
