import { Button } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import { answer, api } from "../api/client";
import { t } from "../frame/language";
import { complain } from "../frame/tell";

/** Begin another attempt where the last sheet stands, as long as the exercise takes one. */
export function AnotherAttempt({ exercise }: { exercise: number }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const path = { exercise_id: exercise };
  const own = useQuery({
    queryKey: ["exercise", exercise],
    queryFn: () => answer(api.GET("/api/exercises/{exercise_id}", { params: { path } })),
  });
  if (!own.data || own.data.sheet_state === null || own.data.attempts_left <= 0) return null;
  const bench = `/exercises/${exercise}/bench`;
  if (own.data.sheet_state === "draft") {
    return <Button onClick={() => void navigate(bench)}>{t("Go on drawing")}</Button>;
  }
  const begin = async () => {
    setBusy(true);
    try {
      await answer(api.POST("/api/exercises/{exercise_id}/sheet/attempt", { params: { path } }));
      await queries.invalidateQueries({ queryKey: ["exercises"] });
      queries.removeQueries({ queryKey: ["draft"] });
      queries.removeQueries({ queryKey: ["exercise", exercise] });
      void navigate(bench);
    } catch (error) {
      complain(error);
      setBusy(false);
    }
  };
  return (
    <Button loading={busy} onClick={() => void begin()}>
      {t("Draw it again ({{count}} left)", { count: own.data.attempts_left })}
    </Button>
  );
}
