import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";

export const originalKey = (exercise: number) => ["original", exercise];

/** What is told of the file a student's own draft was read from; null where it was not. */
export function useOriginal(exercise: number, on = true) {
  return useQuery({
    queryKey: originalKey(exercise),
    enabled: on,
    queryFn: () =>
      answer(
        api.GET("/api/exercises/{exercise_id}/sheet/original", {
          params: { path: { exercise_id: exercise } },
        }),
      ),
  });
}
