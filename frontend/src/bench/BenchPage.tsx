import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, Navigate, useParams } from "react-router";

import { t } from "../frame/language";
import { dayAndTime } from "../frame/words";
import { answer, api } from "../api/client";
import type { Draft, Exercise, Mesh, ModelDetail } from "../api/types";
import { Header } from "../frame/Header";
import { useMe } from "../frame/me";
import { Trouble, Waiting } from "../frame/Messages";
import { bounds } from "../turntable/cardModel";
import { useReader } from "../reader/useReader";
import { useMesh } from "../turntable/PartView";
import { type Bench, isGiven, type Selection, type Stage, type Tool } from "./bench";
import classes from "./Bench.module.css";
import { useDrafting } from "./drafting/useDrafting";
import { BenchCanvas } from "./BenchCanvas";
import type { Point3 } from "./geometry";
import { FileMenu } from "../drawing/FileMenu";
import { openFormer } from "./keptDraft";
import type { RowManner } from "./rows";
import { type DraftCalls, modelAnswer, ownSheet } from "./draftCalls";
import { Conflict } from "./Conflict";
import { SaveNote } from "./SaveNote";
import { Shortcuts } from "./Shortcuts";
import { StagePanel } from "./StagePanel";
import { StageRail } from "./StageRail";
import { useBenchKeys } from "./useBenchKeys";
import { useDraft } from "./useDraft";
import { useInk } from "./useInk";

export default function BenchPage() {
  const id = Number(useParams().exercise);
  const exercise = useQuery({
    queryKey: ["exercise", id],
    queryFn: () =>
      answer(api.GET("/api/exercises/{exercise_id}", { params: { path: { exercise_id: id } } })),
  });
  const me = useMe();
  const calls = useMemo(
    () => (me.role === "instructor" ? modelAnswer(id, me.login) : ownSheet(id, me.login)),
    [id, me.login, me.role],
  );
  const draft = useQuery({
    queryKey: ["draft", calls.key],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: async () => {
      const draft = await calls.load();
      await openFormer(calls.key, draft);
      return draft;
    },
  });
  const model = exercise.data?.model;
  const detail = useQuery({
    queryKey: ["model", model],
    enabled: model !== undefined,
    staleTime: Infinity,
    queryFn: () =>
      answer(api.GET("/api/models/{model_id}", { params: { path: { model_id: model ?? 0 } } })),
  });
  const teaching = me.role === "instructor";
  const shown = teaching || (exercise.data?.task.drafting.shown ?? false);
  const mesh = useMesh(shown ? model : undefined);
  const error = exercise.error ?? draft.error ?? detail.error;
  if (error)
    return (
      <>
        <Header />
        <Trouble error={error} />
      </>
    );
  if (draft.data && draft.data.state !== "draft")
    return <Navigate to={`/sheets/${draft.data.id}`} replace />;
  if (!exercise.data || !draft.data || !detail.data || (shown && !mesh.data))
    return (
      <>
        <Header />
        <Waiting />
      </>
    );
  return (
    <AtTheBench
      exercise={exercise.data}
      calls={calls}
      start={draft.data}
      detail={detail.data}
      mesh={mesh.data ?? null}
    />
  );
}

interface Props {
  exercise: Exercise;
  calls: DraftCalls;
  start: Draft;
  detail: ModelDetail;
  /** The part itself, unless it is to be known from its views alone. */
  mesh: Mesh | null;
}

function AtTheBench({ exercise, calls, start, detail, mesh }: Props) {
  const answering = useMe().role === "instructor";
  const draft = useDraft(calls, start);
  const drawn = useInk(exercise.id, draft.document);
  const [stage, setStage] = useState<Stage>(
    answering && exercise.task.dimensioning.required
      ? "Dimensions"
      : !answering && isGiven(exercise)
        ? "Lines"
        : start.document.views.length
          ? "Views"
          : "Paper",
  );
  const drafting = useDrafting(exercise, draft);
  const [tool, setTool] = useState<Tool>("move");
  const [selection, select] = useState<Selection | null>(null);
  const [snapping, setSnapping] = useState(false);
  const [kin, setKin] = useState(true);
  const [rowManner, setRowManner] = useState<RowManner>("chain");
  const [rowsTogether, setRowsTogether] = useState(true);
  const [hanging, hang] = useState<string | null>(null);
  const [looking, lookOver] = useState<string | null>(null);
  const [checksLeft, onChecked] = useState(start.checks_left);
  const [spaces, setSpaces] = useState(false);
  const [filed, setFiled] = useState(false);
  const [help, setHelp] = useState(false);
  const reader = useReader(
    { kind: "bench", exercise: exercise.id, document: draft.document },
    stage === "Dimensions" && (answering || exercise.task.dimensioning.insight !== "nothing"),
  );
  const middle = useMemo<Point3>(() => (mesh ? bounds(mesh).middle : [0, 0, 0]), [mesh]);

  const bench: Bench = {
    exercise,
    answering,
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
    snapping,
    setSnapping,
    kin: kin || (!answering && exercise.task.snapping === "fixed"),
    setKin,
    rowManner,
    setRowManner,
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
            <Link to="/">{t("Exercises")}</Link> /{" "}
            {answering ? (
              <>
                <Link to={`/exercises/${exercise.id}/wall`}>{exercise.title}</Link> /{" "}
                <strong>{t("model answer")}</strong>
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
        {answering && (
          <FileMenu
            of={`/api/exercises/${exercise.id}/answer/drawing`}
            before={() => draft.saveNow()}
          />
        )}
        <SaveNote
          save={draft.save}
          fresh={answering ? t("As proposed") : t("Nothing drawn yet")}
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
      </Header>
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
