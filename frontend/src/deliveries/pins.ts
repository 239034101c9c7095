import { answer, api, fileBody } from "../api/client";
import type { Pin } from "./useDeliveries";

/** Pins pages up on the wall of an exercise. */
export function toWallOf(exercise: number): Pin {
  return (file, page, { student }) =>
    answer(
      api.POST("/api/exercises/{exercise_id}/deliveries", {
        params: { path: { exercise_id: exercise } },
        ...fileBody(file, { page, student }),
      }),
    );
}

/** Pins pages up on the wall of a set, each as the sheet it is found or said to be. */
export function toWallOfSet(set: number): Pin {
  return (file, page, said) =>
    answer(
      api.POST("/api/sets/{set_id}/deliveries", {
        params: { path: { set_id: set } },
        ...fileBody(file, { page, ...said }),
      }),
    );
}
