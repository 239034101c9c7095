import { Button } from "@mantine/core";
import { useMemo, useState } from "react";
import { Link } from "react-router";

import type { Draft, Exercise, Mesh, ModelDetail, Point, Sheet } from "../api/types";
import { FileMenu } from "../drawing/FileMenu";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { Trouble } from "../frame/Messages";
import { dayAndTime } from "../frame/words";
import { useReader } from "../reader/useReader";
import { SetTrail } from "../set/SetTrail";
import { SetTabs } from "../set/SetTabs";
import { bounds } from "../turntable/cardModel";
import { isOfParts } from "../exercise/kinds";
import { type Bench, isGiven, type Selection, type Stage, type Tool } from "./bench";
import classes from "./Bench.module.css";
import { BenchCanvas } from "./BenchCanvas";
import { Conflict } from "./Conflict";
import type { DraftCalls } from "./draftCalls";
import { useDrafting } from "./drafting/useDrafting";
import type { Point3 } from "./geometry";
import { JudgeAgain } from "./JudgeAgain";
import type { RowManner } from "./rows";
import { SaveNote } from "./SaveNote";
import { Shortcuts } from "./Shortcuts";
import { StagePanel } from "./StagePanel";
import { StageRail } from "./StageRail";
import { useBenchKeys } from "./useBenchKeys";
import { useDraft } from "./useDraft";
import { useInk } from "./useInk";

interface Props {
  exercise: Exercise;
  calls: DraftCalls;
  start: Draft;
  detail: ModelDetail;
  /** The part itself, unless it is to be known from its views alone. */
  mesh: Mesh | null;
  /** A student's sheet that is corrected here in how its file was read. */
  sheet?: Sheet;
}

/** A sheet on the bench: the stages of the work, the paper, and the means of the open stage. */
export function AtTheBench({ exercise, calls, start, detail, mesh, sheet }: Props) {
  const answering = useMe().role === "instructor";
  const draft = useDraft(calls, start);
  const params = useMemo(
    () => ({ path: { exercise_id: exercise.id }, query: { sheet: sheet?.id } }),
    [exercise.id, sheet?.id],
  );
  const drawn = useInk(params, draft.document);
  const [stage, setStage] = useState<Stage>(
    answering && !sheet && exercise.task.dimensioning.required && !isOfParts(exercise.task)
      ? "Dimensions"
      : isOfParts(exercise.task)
        ? "Parts"
        : !answering && isGiven(exercise)
          ? "Lines"
          : start.document.views.length
            ? "Views"
            : "Paper",
  );
  const drafting = useDrafting(params, draft);
  const [tool, setTool] = useState<Tool>("move");
  const [selection, select] = useState<Selection | null>(null);
  const [snapping, setSnapping] = useState(false);
  const [kin, setKin] = useState(true);
  const [rowManner, setRowManner] = useState<RowManner>("chain");
  const [alongAxes, setAlongAxes] = useState(true);
  const [rowsTogether, setRowsTogether] = useState(true);
  const [hanging, hang] = useState<string | null>(null);
  const [looking, lookOver] = useState<string | null>(null);
  const [checksLeft, onChecked] = useState(start.checks_left);
  const [spaces, setSpaces] = useState(false);
  const [filed, setFiled] = useState(sheet !== undefined);
  const [spokenOf, speakOf] = useState<Point | null>(null);
  const [help, setHelp] = useState(false);
  const reader = useReader(
    { kind: "bench", params, document: draft.document },
    stage === "Dimensions" && (answering || exercise.task.dimensioning.insight !== "nothing"),
  );
  const middle = useMemo<Point3>(() => (mesh ? bounds(mesh).middle : [0, 0, 0]), [mesh]);

  const bench: Bench = {
    exercise,
    params,
    answering,
    sheet: sheet ?? null,
    draft,
    document: draft.document,
    ink: drawn.data?.ink ?? null,
    paper: drawn.data?.ink.paper ?? null,
    unit: detail.unit,
    middle,
    extents: detail.extents as Point3,
    up: detail.natural_up ?? "+z",
    tool,
    setTool,
    selection,
    select,
    drafting,
    reader,
    spaces,
    setSpaces,
    filed,
    setFiled,
    spokenOf,
    speakOf,
    snapping,
    setSnapping,
    kin: kin || (!answering && exercise.task.snapping === "fixed"),
    setKin,
    rowManner,
    setRowManner,
    alongAxes,
    setAlongAxes,
    rowsTogether,
    setRowsTogether,
    hanging,
    hang,
    looking,
    lookOver,
    checksLeft,
    onChecked,
  };

  useBenchKeys(bench, () => setHelp(true));

  const open = (next: Stage) => {
    hang(null);
    lookOver(null);
    setStage(next);
    setTool(next === "Dimensions" ? "size" : "move");
    select(null);
  };
  return (
    <div className="screen">
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> / <SetTrail exercise={exercise} />
            {answering ? (
              <>
                <Link to={`/exercises/${exercise.id}/wall`}>{exercise.title}</Link> /{" "}
                {sheet ? (
                  <>
                    <Link to={`/sheets/${sheet.id}`}>{sheet.student}</Link> /{" "}
                    <strong>{t("what was read")}</strong>
                  </>
                ) : (
                  <strong>{t("model answer")}</strong>
                )}
              </>
            ) : (
              <>
                <strong>{exercise.title}</strong> · {exercise.school_class}
                {exercise.closes_at &&
                  ` · ${t("closes {{when}}", { when: dayAndTime(exercise.closes_at) })}`}
              </>
            )}
          </>
        }
      >
        {answering && !sheet && (
          <FileMenu
            of={`/api/exercises/${exercise.id}/answer/drawing`}
            before={() => draft.saveNow()}
          />
        )}
        <SaveNote
          save={draft.save}
          fresh={
            sheet ? t("As it was read") : answering ? t("As proposed") : t("Nothing drawn yet")
          }
          onRetry={() => void draft.saveNow()}
        />
        <Button variant="default" disabled={!draft.undo} onClick={() => draft.undo?.()}>
          {t("Undo")}
        </Button>
        <Button variant="default" disabled={!draft.redo} onClick={() => draft.redo?.()}>
          {t("Redo")}
        </Button>
        <Button variant="default" aria-label={t("Keys")} onClick={() => setHelp(true)}>
          ?
        </Button>
        {sheet && <JudgeAgain bench={bench} sheet={sheet} />}
      </Header>
      {exercise.in_set && !sheet && (
        <SetTabs
          exercise={exercise}
          before={() => draft.saveNow()}
          revision={draft.revision.current}
        />
      )}
      <div className={classes.grid}>
        <StageRail bench={bench} stage={stage} onStage={open} />
        <main className={classes.stage} aria-label={t("Sheet")}>
          {drawn.error && <Trouble error={drawn.error} onRetry={() => void drawn.refetch()} />}
          {drawn.data && (
            <BenchCanvas
              bench={bench}
              stage={stage}
              ink={drawn.data.ink}
              drawn={drawn.data.document}
            />
          )}
        </main>
        <StagePanel bench={bench} stage={stage} />
      </div>
      <Conflict bench={bench} />
      <Shortcuts opened={help} onClose={() => setHelp(false)} />
    </div>
  );
}
