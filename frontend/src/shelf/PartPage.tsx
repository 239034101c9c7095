import { Anchor, Button, Group, Tabs, Text, Title } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { ModelDetail, PartAnswer } from "../api/types";
import { PartsList } from "../assembly/PartsList";
import { SideView } from "../drawing/SideView";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { sameAttitude, sideWords } from "../turntable/attitude";
import type { FaceColours } from "../turntable/cardModel";
import { PartView, useMesh } from "../turntable/PartView";
import { useTurning } from "../turntable/useTurning";
import { Demands } from "./Demands";
import { PartActions } from "./PartActions";
import { PartHistory } from "./PartHistory";
import { RankingList } from "./RankingList";
import { useModelDetail } from "./useModelDetail";
import classes from "./Shelf.module.css";
import { ViewSets } from "./ViewSet";

export default function PartPage() {
  const id = Number(useParams().part);
  const part = useQuery({
    queryKey: ["part", id],
    queryFn: () => answer(api.GET("/api/parts/{part_id}", { params: { path: { part_id: id } } })),
    refetchInterval: (query) => (query.state.data?.part.state === "waiting" ? 700 : false),
  });
  const again = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/parts/{part_id}/examination", { params: { path: { part_id: id } } })),
    onSettled: () => part.refetch(),
  });
  const model = part.data?.part.state === "ready" ? part.data.part.model : undefined;
  const detail = useModelDetail(model);
  const error = part.error ?? detail.error;
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/shelf">{t("Shelf")}</Link> / <strong>{part.data?.part.name ?? "…"}</strong>
          </>
        }
      >
        {part.data && <PartActions part={part.data.part} />}
        <Button component={Link} to={`/exercises/new?part=${id}`} disabled={!detail.data}>
          {t("Set an exercise on it")}
        </Button>
      </Header>
      {error && <Trouble error={error} onRetry={() => void part.refetch()} />}
      {part.data?.part.state === "refused" && (
        <Trouble
          error={
            again.error ??
            new Error(
              t("This part cannot be used: {{reason}}.", { reason: part.data.part.error ?? "" }),
            )
          }
          onRetry={() => again.mutate()}
        />
      )}
      {!error && !detail.data && part.data?.part.state !== "refused" && <Waiting />}
      {part.data && detail.data && <Opened part={part.data} detail={detail.data} />}
    </>
  );
}

function Opened({ part, detail }: { part: PartAnswer; detail: ModelDetail }) {
  const { model } = part.part;
  const { attitude, setAttitude, hands } = useTurning(detail.natural_up ?? "+z");
  const [litEdges, setLitEdges] = useState<readonly number[] | undefined>();
  const [litFaces, setLitFaces] = useState<readonly number[] | undefined>();
  const [picked, setPicked] = useState<number | undefined>();
  const mesh = useMesh(model);
  const colours = useMemo(() => coloursOf(detail), [detail]);
  const longest = Math.max(...detail.extents);
  return (
    <main className={classes.partGrid}>
      <section className={classes.stage} aria-label={t("Turntable")}>
        <Group justify="space-between">
          <Title order={2} size="h4">
            {t("Turntable")}
          </Title>
          <Anchor
            className="screen-only"
            component="button"
            size="sm"
            c="inherit"
            onClick={() => setAttitude(null)}
          >
            {t("equal-axis view")}
          </Anchor>
        </Group>
        <div className={classes.stageModel}>
          <PartView
            model={model}
            colours={colours}
            {...hands}
            onPoint={(picked) => {
              setLitEdges(picked?.edge != null ? [picked.edge] : undefined);
              setLitFaces(undefined);
            }}
            onPick={(own) => setPicked(own.face)}
            litEdges={litEdges}
            litFaces={litFaces ?? (picked === undefined ? undefined : [picked])}
            label={t("{{part}}; drag, turn the wheel or use the arrow keys to turn it", {
              part: detail.name,
            })}
          />
        </div>
        <Text className="quiet small screen-only">
          {t("Drag, turn the wheel, or use the arrow keys to turn it; on the spot with")}{" "}
          <kbd>,</kbd> <kbd>.</kbd>
        </Text>
        <PartHistory part={part} />
      </section>
      <div>
        <section aria-label={t("Six sides")}>
          <Title order={2} size="h4" mb="sm">
            {t("Its six sides")}
          </Title>
          <div className={classes.sides}>
            {detail.sides.map((side) => (
              <button
                key={side.side}
                type="button"
                className={classes.side}
                aria-pressed={sameAttitude(attitude, side)}
                onClick={() => setAttitude({ side: side.side, up: side.up })}
              >
                <div className={classes.sideFrame}>
                  <SideView
                    drawing={side}
                    span={longest}
                    lit={litEdges}
                    onPoint={(edges) => setLitEdges(edges ?? undefined)}
                    label={t("Seen from the {{side}}", { side: sideWords(side.side) })}
                  />
                </div>
                <Text className="quiet small" ta="center">
                  {sideWords(side.side)}
                </Text>
              </button>
            ))}
          </div>
        </section>
        {!part.part.assembly && (
          <ViewSets
            model={model}
            ranking={detail.ranking}
            chosen={attitude}
            onChoose={setAttitude}
            span={longest}
            lit={litEdges}
            onPoint={setLitEdges}
          />
        )}
      </div>
      {part.part.assembly ? (
        <section className="panel" aria-label={t("Parts list")}>
          <Title order={2} size="h4" mb="sm">
            {t("Parts list")}
          </Title>
          <PartsList listed={detail.listed ?? []} />
        </section>
      ) : (
        <section className="panel" aria-label={t("What its drawing demands")}>
          <Tabs defaultValue="demands" variant="default" color="ink">
            <Tabs.List mb="sm">
              <Tabs.Tab value="demands">{t("What its drawing demands")}</Tabs.Tab>
              <Tabs.Tab value="front">{t("Front views")}</Tabs.Tab>
            </Tabs.List>
            <Tabs.Panel value="demands">
              <Demands
                part={part.part}
                detail={detail}
                onFaces={setLitFaces}
                edges={mesh.data?.edges.length}
                picked={picked}
              />
            </Tabs.Panel>
            <Tabs.Panel value="front">
              <Text className="quiet small" mb="xs">
                {t(
                  "All 24 attitudes by length, shape, hidden lines and natural position. Choose one to see its set of views.",
                )}
              </Text>
              <RankingList
                ranking={detail.ranking}
                chosen={attitude}
                onChoose={(entry) => setAttitude({ side: entry.side, up: entry.up })}
              />
            </Tabs.Panel>
          </Tabs>
        </section>
      )}
    </main>
  );
}

/** The colours of an assembly's components, by their faces. */
function coloursOf({ components }: ModelDetail): FaceColours {
  const found = new Map<number, string>();
  for (const { colour, faces } of components ?? [])
    if (colour) for (let k = 0; k < faces[1]; k++) found.set(faces[0] + k, colour);
  return found;
}
