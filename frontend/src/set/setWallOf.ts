import { answer, api } from "../api/client";

/** The wall of a set, as it is asked for and kept. */
export function setWallOf(id: number) {
  return {
    queryKey: ["set wall", id],
    queryFn: () => answer(api.GET("/api/sets/{set_id}/wall", { params: { path: { set_id: id } } })),
  };
}
