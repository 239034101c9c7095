import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";

import { answer, api } from "../api/client";

/** How often is asked whether somebody else has changed something on the wall (milliseconds). */
const EVERY = 1500;

/** Have wall and sheets of an exercise follow what others do to them. */
export function useNews(exercise: number, teaching: boolean): void {
  const queries = useQueryClient();
  const seen = useRef<number | null>(null);
  const news = useQuery({
    queryKey: ["news", exercise],
    enabled: teaching,
    refetchInterval: EVERY,
    retry: false,
    queryFn: () =>
      answer(
        api.GET("/api/exercises/{exercise_id}/news", {
          params: { path: { exercise_id: exercise } },
        }),
      ),
  });
  const number = news.data?.number;
  useEffect(() => {
    if (number === undefined) return;
    if (seen.current !== null && seen.current !== number) {
      void queries.invalidateQueries({ queryKey: ["wall", exercise] });
      void queries.invalidateQueries({ queryKey: ["sheet"] });
    }
    seen.current = number;
  }, [number, exercise, queries]);
}
