import { Center, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Mesh } from "../api/types";
import { SideView } from "../drawing/SideView";
import { useViews } from "../drawing/useViews";
import { nearestAttitude } from "./attitude";
import type { TurntableProps } from "./Turntable";

const Turntable = lazy(() => import("./Turntable").then((m) => ({ default: m.Turntable })));

type Props = Omit<TurntableProps, "mesh"> & { model: number };

/** Whether this screen can draw solids; without, exact line drawings stand in. */
function canDrawSolids(): boolean {
  const canvas = document.createElement("canvas");
  return Boolean(canvas.getContext("webgl2"));
}

export const solids = canDrawSolids();

/** What asks for the triangles of a model. */
export function meshQuery(model: number | undefined) {
  return {
    queryKey: ["mesh", model],
    enabled: model !== undefined,
    staleTime: Infinity,
    queryFn: async () => {
      const data = await answer(
        api.GET("/api/models/{model_id}/mesh", {
          params: { path: { model_id: model ?? 0 } },
          parseAs: "json",
        }),
      );
      return data as unknown as Mesh;
    },
  };
}

export function useMesh(model: number | undefined) {
  return useQuery(meshQuery(model));
}

/** The part on the turntable, or its exact line drawings where the screen cannot draw solids. */
export function PartView(props: Props) {
  const mesh = useMesh(props.model);
  if (mesh.error) return <Center h="100%">{mesh.error.message}</Center>;
  if (!mesh.data) return <Center h="100%" role="status" aria-label={t("The part is loading")} />;
  if (!solids) return <FlatPart {...props} />;
  return (
    <Suspense fallback={null}>
      <Turntable {...props} mesh={mesh.data} />
    </Suspense>
  );
}

function FlatPart({ model, turn, litEdges }: Props) {
  const front = nearestAttitude(turn);
  const views = useViews(model, front, ["front"]);
  const drawing = views.data?.[0];
  if (!drawing) return <Text className="quiet">…</Text>;
  return (
    <SideView
      drawing={drawing}
      label={t("Line drawing of the side {{side}}", { side: front.side })}
      lit={litEdges}
    />
  );
}
