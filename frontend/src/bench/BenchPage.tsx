import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Navigate, useParams } from "react-router";

import { answer, api } from "../api/client";
import { useMe } from "../frame/me";
import { UnderWay } from "../frame/UnderWay";
import { useModelDetail } from "../shelf/useModelDetail";
import { useMesh } from "../turntable/PartView";
import { AtTheBench } from "./AtTheBench";
import { useOpenedDraft } from "./useOpenedDraft";
import { modelAnswer, ownSheet } from "./draftCalls";

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
  const draft = useOpenedDraft(calls);
  const model = exercise.data?.model;
  const detail = useModelDetail(model);
  const teaching = me.role === "instructor";
  const shown = teaching || (exercise.data?.task.drafting.shown ?? false);
  const mesh = useMesh(shown ? model : undefined);
  const error = exercise.error ?? draft.error ?? detail.error;
  if (error) return <UnderWay error={error} />;
  if (draft.data && draft.data.state !== "draft")
    return <Navigate to={`/sheets/${draft.data.id}`} replace />;
  if (!exercise.data || !draft.data || !detail.data || (shown && !mesh.data))
    return <UnderWay error={null} />;
  return (
    <AtTheBench
      // The sheets of a set follow each other here: nothing of one stays for the next.
      key={id}
      exercise={exercise.data}
      calls={calls}
      start={draft.data}
      detail={detail.data}
      mesh={mesh.data ?? null}
    />
  );
}
