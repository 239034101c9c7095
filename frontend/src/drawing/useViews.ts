import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { ViewName } from "../api/types";
import type { Attitude } from "../turntable/attitude";

/** The views a front view would bring: exact lines, computed by the service and kept. */
export function useViews(model: number, front: Attitude | null, names?: ViewName[]) {
  const side = front?.side ?? "-y";
  const up = front?.up ?? "+z";
  return useQuery({
    queryKey: ["views", model, side, up, names],
    enabled: front !== null,
    staleTime: Infinity,
    queryFn: () =>
      answer(
        api.GET("/api/models/{model_id}/views", {
          params: { path: { model_id: model }, query: { side, up, names } },
        }),
      ),
  });
}
