import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";

import { answer, api } from "../api/client";
import { Header } from "../frame/Header";
import { useMe } from "../frame/me";
import { Trouble, Waiting } from "../frame/Messages";
import { useNews } from "../marking/useNews";
import { OpenedSheet } from "./OpenedSheet";

export default function TablePage() {
  const id = Number(useParams().sheet);
  const teaching = useMe().role === "instructor";
  const sheet = useQuery({
    queryKey: ["sheet", id],
    queryFn: () =>
      answer(api.GET("/api/sheets/{sheet_id}", { params: { path: { sheet_id: id } } })),
  });
  useNews(sheet.data?.exercise.id ?? 0, teaching && sheet.data !== undefined);
  if (sheet.isPending)
    return (
      <>
        <Header />
        <Waiting />
      </>
    );
  if (sheet.error && !sheet.data)
    return (
      <>
        <Header />
        <Trouble error={sheet.error} onRetry={() => void sheet.refetch()} />
      </>
    );
  // Pointing and choosing begin anew with every sheet.
  return <OpenedSheet key={id} sheet={sheet.data} />;
}
