import { Button, Group, Progress, Text, Title } from "@mantine/core";
import { useEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { watchJob } from "../shelf/watchJob";

interface Writing {
  job: number;
  share: number;
  words: string;
  state: "writing" | "done" | "failed" | "cancelled";
}

/** All marked sheets of an exercise or a set with their slips, written into one PDF; how far it is, and to be stopped. */
export default function SlipsPage() {
  const { exercise, set } = useParams();
  const [writing, setWriting] = useState<Writing | null>(null);
  const [trouble, setTrouble] = useState("");
  const begun = useRef(false);
  const begin = async () => {
    setTrouble("");
    try {
      const { id } = await answer(
        set
          ? api.POST("/api/sets/{set_id}/slips", { params: { path: { set_id: Number(set) } } })
          : api.POST("/api/exercises/{exercise_id}/slips", {
              params: { path: { exercise_id: Number(exercise) } },
            }),
      );
      setWriting({ job: id, share: 0, words: "", state: "writing" });
      const told = await watchJob(id, (share, words) =>
        setWriting({ job: id, share, words, state: "writing" }),
      );
      const state =
        told.state === "done" ? "done" : told.state === "failed" ? "failed" : "cancelled";
      setWriting({ job: id, share: told.progress, words: told.message ?? "", state });
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  useEffect(() => {
    if (begun.current) return;
    begun.current = true;
    void begin();
  });
  const stop = async (job: number) => {
    try {
      await answer(api.DELETE("/api/jobs/{job_id}", { params: { path: { job_id: job } } }));
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> /{" "}
            <Link to={set ? `/sets/${set}/wall` : `/exercises/${exercise}/wall`}>{t("Wall")}</Link>
          </>
        }
      />
      <main style={{ maxWidth: 560, margin: "40px auto", padding: "0 24px" }}>
        <Title order={1} size="h2">
          {t("All slips as one PDF")}
        </Title>
        <Text className="quiet" mt="xs">
          {t("Each sheet true to scale with its marks, then its slip.")}
        </Text>
        {writing && (
          <>
            <Progress
              mt="lg"
              value={100 * writing.share}
              color="var(--settled)"
              aria-label={t("How far it is")}
            />
            <Text mt="xs" role="status">
              {writing.words}
            </Text>
          </>
        )}
        {trouble && (
          <Text c="var(--fault)" role="alert" mt="sm">
            {trouble}
          </Text>
        )}
        <Group mt="lg">
          {writing?.state === "writing" && (
            <Button variant="default" onClick={() => void stop(writing.job)}>
              {t("Stop")}
            </Button>
          )}
          {writing?.state === "done" && (
            <Button component="a" href={`/api/jobs/${writing.job}/file`} target="_blank">
              {t("Open the PDF")}
            </Button>
          )}
          {(trouble || (writing && writing.state !== "writing")) && (
            <Button variant="default" onClick={() => void begin()}>
              {t("Write it again")}
            </Button>
          )}
        </Group>
      </main>
    </>
  );
}
