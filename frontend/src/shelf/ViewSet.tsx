import { Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import { SideView } from "../drawing/SideView";
import { plural } from "../frame/words";
import { type Attitude, sideWords } from "../turntable/attitude";
import classes from "./Shelf.module.css";

interface Props {
  model: number;
  front: Attitude;
  /** Longest size of the part: all views keep one scale. */
  span: number;
  lit?: readonly number[];
  onPoint: (edges: readonly number[] | undefined) => void;
}

/** The set of views a front view brings, in third-angle places, with the hidden lines counted. */
export function ViewSet({ model, front, span, lit, onPoint }: Props) {
  const { side, up } = front;
  const views = useQuery({
    queryKey: ["views", model, side, up, "set"],
    staleTime: Infinity,
    queryFn: () =>
      answer(
        api.GET("/api/models/{model_id}/views", {
          params: { path: { model_id: model }, query: { side, up } },
        }),
      ),
  });
  const hidden = views.data?.reduce((sum, view) => sum + view.hidden_lines, 0) ?? 0;
  return (
    <>
      <Title order={2} size="h4" mt="lg">
        The views this front view brings
      </Title>
      <Text className="quiet small" mb="xs">
        {sideWords(side)}, {up.replace("-", "−")} up: {plural(hidden, "hidden line")} in all.
      </Text>
      <div className={classes.viewSet}>
        {views.data?.map((view) => (
          <figure key={view.name} style={{ gridArea: view.name }}>
            <SideView
              drawing={view}
              span={span}
              lit={lit}
              onPoint={(edges) => onPoint(edges ?? undefined)}
              label={`${view.name} view`}
            />
            <figcaption className="quiet small">
              {view.name}, {view.hidden_lines} hidden
            </figcaption>
          </figure>
        ))}
      </div>
    </>
  );
}
