import { Alert, Button, Group, Select, Stack, Switch, Text, TextInput, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";

import { answer, api } from "../api/client";
import type { Task } from "../api/types";
import { Header } from "../frame/Header";
import { turnOfCorner } from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import { AcceptedFronts } from "./AcceptedFronts";
import classes from "./Exercises.module.css";
import { TaskFields } from "./TaskFields";

const CORNER_TURN = turnOfCorner("+-+", "+z");

const DEFAULT_TASK: Task = {
  title: "",
  units: "mm",
  angle: "third",
  paper: "A3",
  landscape: true,
  views: ["front", "top", "right"],
  pictorial: "allowed",
  front: { accept: [], natural_up: null },
  scale: null,
  hidden_lines: true,
  centre_lines: true,
  dimensioning: { required: true, style: null, decimals: null, symmetry_by_centre_line: false },
  title_fields: ["title", "drafter", "date", "scale"],
  aids: ["even gaps", "centre lines"],
  tolerance_mm: 0.3,
  points: {},
  error_cost: 2,
  thresholds: {
    front_margin: 5,
    alignment_mm: 0.5,
    centring_mm: 10,
    displaced_mm: 5,
    gaps_mm: 10,
    room_mm: 15,
    scale_ratio: 0.001,
  },
};

/** A week from today, in the evening, as a date-time field wants it. */
function nextWeek(): string {
  const day = new Date(Date.now() + 7 * 86_400_000);
  day.setHours(22, 0, 0, 0);
  return new Date(day.getTime() - day.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

export default function NewExercisePage() {
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
  const [task, setTask] = useState(DEFAULT_TASK);
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
    <>
      <Header
        trail={
          <>
            <Link to="/">Exercises</Link> / <strong>New exercise</strong>
          </>
        }
      />
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
                label: `${c.name}, ${c.students} students`,
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
          <TaskFields task={task} onChange={setTask} />
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
                <PartView
                  model={chosen.model}
                  turn={CORNER_TURN}
                  label="The part as a card model"
                />
              </div>
              <AcceptedFronts
                model={chosen.model}
                accepted={task.front.accept}
                onChange={(accept) => setTask({ ...task, front: { ...task.front, accept } })}
              />
            </>
          ) : (
            <Text className="quiet">
              Choose a part to see it here, with the front views its ranking proposes.
            </Text>
          )}
        </Stack>
      </form>
    </>
  );
}
