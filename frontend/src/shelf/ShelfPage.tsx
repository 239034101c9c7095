import { Button, Card, FileButton, Group, Progress, SimpleGrid, Text, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import type { PartSummary } from "../api/types";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { turnOfCorner } from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import classes from "./Shelf.module.css";
import { watchJob } from "./watchJob";

const CORNER_TURN = turnOfCorner("+-+", "+z");

export default function ShelfPage() {
  const queries = useQueryClient();
  const parts = useQuery({
    queryKey: ["parts"],
    queryFn: () => answer(api.GET("/api/parts")),
  });
  const [progress, setProgress] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<Error | null>(null);

  const bringIn = async (file: File | null) => {
    if (!file) return;
    setTrouble(null);
    setProgress(0);
    const body = new FormData();
    body.append("file", file);
    try {
      const part = await answer(
        api.POST("/api/parts", {
          body: body as never,
          bodySerializer: (form) => form as unknown as FormData,
        }),
      );
      const end = await watchJob(part.job ?? 0, setProgress);
      if (end.state !== "done") setTrouble(new Error(`“${file.name}”: ${end.message}.`));
    } catch (error) {
      setTrouble(error as Error);
    } finally {
      setProgress(null);
      void queries.invalidateQueries({ queryKey: ["parts"] });
    }
  };

  return (
    <>
      <Header>
        <FileButton onChange={(file) => void bringIn(file)} accept=".json,.step,.stp">
          {(props) => (
            <Button variant="default" {...props} disabled={progress !== null}>
              Bring in a part
            </Button>
          )}
        </FileButton>
        <Button component={Link} to="/exercises/new">
          Set an exercise
        </Button>
      </Header>
      <main className={classes.page}>
        <Group justify="space-between" align="baseline">
          <Title order={1} size="h2">
            Shelf
          </Title>
          <Text className="quiet">
            {parts.data
              ? `${parts.data.length} parts. Open one to turn it and see what its drawing demands.`
              : ""}
          </Text>
        </Group>
        {progress !== null && (
          <Progress
            value={100 * Math.max(progress, 0.05)}
            color="var(--settled)"
            aria-label="Examining the part"
          />
        )}
        {trouble && <Trouble error={trouble} />}
        {parts.isPending && <Waiting />}
        {parts.error && <Trouble error={parts.error} onRetry={() => void parts.refetch()} />}
        {parts.data?.length === 0 && (
          <Text>The shelf is empty. Bring in a part as a STEP file or a recipe to begin.</Text>
        )}
        <SimpleGrid cols={{ base: 1, xs: 2, md: 4 }} spacing="lg">
          {parts.data?.map((part) => (
            <PartCard key={part.id} part={part} />
          ))}
        </SimpleGrid>
      </main>
    </>
  );
}

function PartCard({ part }: { part: PartSummary }) {
  const sizes = part.extents.map((e) => Number(e.toFixed(3))).join(" × ");
  if (part.state !== "ready") {
    return (
      <Card withBorder padding="md" className={classes.card}>
        <div className={classes.model} />
        <Text fw={700}>{part.name}</Text>
        <Text className="small" c="var(--fault)">
          {part.state === "refused" ? `Not usable: ${part.error}` : "Being examined …"}
        </Text>
      </Card>
    );
  }
  return (
    <Card
      withBorder
      padding="md"
      component={Link}
      to={`/shelf/${part.id}`}
      className={classes.card}
    >
      <div className={classes.model}>
        <PartView part={part.id} turn={CORNER_TURN} label={`${part.name}, card model`} />
      </div>
      <Text fw={700}>{part.name}</Text>
      <Text className="quiet small">
        {sizes} {part.unit} · {part.material || "no material given"}
      </Text>
    </Card>
  );
}
