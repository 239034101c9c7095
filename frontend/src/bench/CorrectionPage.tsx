import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Navigate, useParams } from "react-router";

import { answer, api } from "../api/client";
import { useMe } from "../frame/me";
import { UnderWay } from "../frame/UnderWay";
import { useModelDetail } from "../shelf/useModelDetail";
import { useMesh } from "../turntable/PartView";
import { AtTheBench } from "./AtTheBench";
import { correctedReading } from "./draftCalls";
import { useOpenedDraft } from "./useOpenedDraft";

/** A student's sheet on its instructor's bench, where how its file was read is put right. */
export default function CorrectionPage() {
  const id = Number(useParams().sheet);
  const me = useMe();
  const params = { path: { sheet_id: id } };
  const sheet = useQuery({
    queryKey: ["sheet", id],
    queryFn: () => answer(api.GET("/api/sheets/{sheet_id}", { params })),
  });
  const calls = useMemo(() => correctedReading(id, me.login), [id, me.login]);
  const correctable = sheet.data?.state === "handed-in" && sheet.data.original !== null;
  const draft = useOpenedDraft(calls, correctable);
  const model = sheet.data?.exercise.model;
  const detail = useModelDetail(model);
  const mesh = useMesh(model);
  const error = sheet.error ?? draft.error ?? detail.error;
  if (error) return <UnderWay error={error} />;
  if (sheet.data && !correctable) return <Navigate to={`/sheets/${id}`} replace />;
  if (!sheet.data || !draft.data || !detail.data || !mesh.data) return <UnderWay error={null} />;
  return (
    <AtTheBench
      exercise={sheet.data.exercise}
      calls={calls}
      start={draft.data}
      detail={detail.data}
      mesh={mesh.data}
      sheet={sheet.data}
    />
  );
}
