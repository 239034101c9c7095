import { queryOptions } from "@tanstack/react-query";

import { answer, api } from "../api/client";

/** All sheets of an exercise, as wall and table ask for them. */
export function wallOf(exercise: number) {
  return queryOptions({
    queryKey: ["wall", exercise],
    queryFn: () =>
      answer(
        api.GET("/api/exercises/{exercise_id}/wall", {
          params: { path: { exercise_id: exercise } },
        }),
      ),
  });
}
