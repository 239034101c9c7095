import { Alert, Button, Group, Select, Stack, Switch, Text, TextInput, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";

import { answer, api } from "../api/client";
import type { BlankTask } from "../api/types";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { plural } from "../frame/words";
import { turnOfCorner } from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import { AcceptedFronts } from "./AcceptedFronts";
import classes from "./Exercises.module.css";
import { KindFields } from "./KindFields";
import { isGivenKind } from "./kinds";
import { StartingSheet } from "./StartingSheet";
import { TaskFields } from "./TaskFields";

const CORNER_TURN = turnOfCorner("+-+", "+z");

/** A week from today, in the evening, as a date-time field wants it. */
function nextWeek(): string {
  const day = new Date(Date.now() + 7 * 86_400_000);
  day.setHours(22, 0, 0, 0);
  return new Date(day.getTime() - day.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

export default function NewExercisePage() {
  const blank = useQuery({
    queryKey: ["blank task"],
    staleTime: Infinity,
    queryFn: () => answer(api.GET("/api/exercises/blank")),
  });
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/">Exercises</Link> / <strong>New exercise</strong>
          </>
        }
      />
      {blank.error && <Trouble error={blank.error} />}
      {blank.data ? <NewExerciseForm blank={blank.data} /> : !blank.error && <Waiting />}
    </>
  );
}

function NewExerciseForm({ blank }: { blank: BlankTask }) {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const parts = useQuery({
    queryKey: ["parts", "all"],
    queryFn: () => answer(api.GET("/api/parts", { params: { query: { limit: 200 } } })),
  });
  const classList = useQuery({
    queryKey: ["classes"],
    queryFn: () => answer(api.GET("/api/classes")),
  });
  const [part, setPart] = useState<number | null>(Number(search.get("part")) || null);
  const [group, setGroup] = useState<string | null>(null);
  const [title, setTitle] = useState<string | null>(null);
  const [due, setDue] = useState(nextWeek);
  const [task, setTask] = useState(blank.task);
  const [varied, setVaried] = useState(false);
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(false);

  const ready = parts.data?.parts.filter((p) => p.state === "ready") ?? [];
  const chosen = ready.find((p) => p.id === part);
  const heading = title ?? chosen?.name ?? "";
  const school = group ?? (classList.data?.[0] ? String(classList.data[0].id) : null);

  const choose = (id: number) => {
    setPart(id);
    const unit = ready.find((p) => p.id === id)?.unit ?? "mm";
    setTask({
      ...task,
      units: unit,
      paper: unit === "inch" ? "ANSI B" : "A3",
      front: { accept: [], natural_up: null },
      drafting: { ...task.drafting, changes: [] },
    });
  };

  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    if (!part || !school) {
      setTrouble(part ? "Choose a class." : "Choose a part first.");
      return;
    }
    setBusy(true);
    try {
      const made = await answer(
        api.POST("/api/exercises", {
          body: {
            part,
            school_class: Number(school),
            title: heading,
            due_at: new Date(due).toISOString(),
            task,
            varied: varied && (chosen?.built ?? false),
          },
        }),
      );
      await queries.invalidateQueries({ queryKey: ["exercises"] });
      void navigate(`/exercises/${made.id}/wall`);
    } catch (error) {
      setTrouble((error as Error).message);
      setBusy(false);
    }
  };

  return (
    <form className={classes.form} onSubmit={(event) => void submit(event)}>
      <Stack>
        <Title order={1} size="h2">
          Set an exercise
        </Title>
        <Select
          label="Part"
          placeholder="Choose from your shelf"
          data={ready.map((p) => ({ value: String(p.id), label: p.name }))}
          value={part ? String(part) : null}
          onChange={(value) => value && choose(Number(value))}
          searchable
          required
        />
        <TextInput
          label="Title"
          value={heading}
          onChange={(e) => setTitle(e.currentTarget.value)}
          required
        />
        <Group grow>
          <Select
            label="Class"
            data={classList.data?.map((c) => ({
              value: String(c.id),
              label: `${c.name}, ${plural(c.students, "student")}`,
            }))}
            value={school}
            onChange={setGroup}
            required
          />
          <TextInput
            label="Due"
            type="datetime-local"
            value={due}
            onChange={(e) => setDue(e.currentTarget.value)}
            required
          />
        </Group>
        {chosen?.built && (
          <Switch
            label="Give every student the part in sizes of their own"
            description="Sizes with a range, set in the builder, are drawn for each student and kept."
            checked={varied}
            onChange={(e) => setVaried(e.currentTarget.checked)}
          />
        )}
        <KindFields task={task} onChange={setTask} />
        <TaskFields task={task} usual={blank.points[task.drafting.kind] ?? {}} onChange={setTask} />
        {trouble && (
          <Alert color="ink" variant="outline" role="alert">
            {trouble}
          </Alert>
        )}
        <Button type="submit" loading={busy}>
          Set for the class
        </Button>
      </Stack>
      <Stack>
        {chosen ? (
          <>
            <div style={{ height: 240 }}>
              <PartView model={chosen.model} turn={CORNER_TURN} label="The part as a card model" />
            </div>
            <AcceptedFronts
              model={chosen.model}
              accepted={task.front.accept}
              onChange={(accept) =>
                setTask({
                  ...task,
                  front: { ...task.front, accept },
                  drafting: { ...task.drafting, changes: [] },
                })
              }
            />
            {chosen && isGivenKind(task.drafting.kind) && (
              <StartingSheet part={chosen.id} task={task} onChange={setTask} />
            )}
          </>
        ) : (
          <Text className="quiet">
            Choose a part to see it here, with the front views its ranking proposes.
          </Text>
        )}
      </Stack>
    </form>
  );
}
