import { Alert, Button, Group, Select, Stack, Switch, Text, TextInput, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { DateTimePicker } from "@mantine/dates";
import { useForm } from "@mantine/form";
import dayjs from "dayjs";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { BlankTask, Task } from "../api/types";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { turnOfCorner } from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import { AcceptedFronts } from "./AcceptedFronts";
import classes from "./Exercises.module.css";
import { CourseFields } from "./CourseFields";
import { KindFields } from "./KindFields";
import { isGivenKind } from "./kinds";
import { SpecialViews } from "./SpecialViews";
import { StartingSheet } from "./StartingSheet";
import { TaskFields } from "./TaskFields";

const CORNER_TURN = turnOfCorner("+-+", "+z");

/** A week from today, in the evening. */
function nextWeek(): string {
  return dayjs().add(7, "day").hour(22).startOf("hour").format("YYYY-MM-DD HH:mm:ss");
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
            <Link to="/">{t("Exercises")}</Link> / <strong>{t("New exercise")}</strong>
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
  const form = useForm({
    initialValues: {
      part: search.get("part"),
      group: null as string | null,
      title: null as string | null,
      due: nextWeek(),
      opens: null as string | null,
      closes: null as string | null,
      varied: false,
      task: blank.task,
    },
    validate: {
      part: (part) => (part ? null : t("Choose a part first.")),
      group: (group) => ((group ?? first) ? null : t("Choose a class.")),
      due: (due) => (dayjs(due).isValid() ? null : t("Say until when.")),
    },
  });
  const { task } = form.values;
  const setTask = (next: Task) => form.setFieldValue("task", next);
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(false);

  const ready = parts.data?.parts.filter((p) => p.state === "ready") ?? [];
  const first = classList.data?.[0] ? String(classList.data[0].id) : null;
  const chosen = ready.find((p) => String(p.id) === form.values.part);
  const heading = form.values.title ?? chosen?.name ?? "";

  const choose = (id: string) => {
    form.setFieldValue("part", id);
    const unit = ready.find((p) => String(p.id) === id)?.unit ?? "mm";
    setTask({
      ...task,
      units: unit,
      paper: unit === "inch" ? "ANSI B" : "A3",
      front: { accept: [], natural_up: null },
      drafting: { ...task.drafting, changes: [] },
    });
  };

  const submit = async (
    { part, group, due, opens, closes, varied }: typeof form.values,
    draft: boolean,
  ) => {
    setBusy(true);
    try {
      const made = await answer(
        api.POST("/api/exercises", {
          body: {
            part: Number(part),
            school_class: Number(group ?? first),
            title: heading,
            due_at: dayjs(due).toISOString(),
            opens_at: opens ? dayjs(opens).toISOString() : null,
            closes_at: closes ? dayjs(closes).toISOString() : null,
            draft,
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
    <form className={classes.form} onSubmit={form.onSubmit((values) => void submit(values, false))}>
      <Stack>
        <Title order={1} size="h2">
          {t("Set an exercise")}
        </Title>
        <Select
          label={t("Part")}
          placeholder={t("Choose from your shelf")}
          data={ready.map((p) => ({ value: String(p.id), label: p.name }))}
          {...form.getInputProps("part")}
          onChange={(value) => value && choose(value)}
          searchable
          required
        />
        <TextInput label={t("Title")} {...form.getInputProps("title")} value={heading} required />
        <Group grow>
          <Select
            label={t("Class")}
            data={classList.data?.map((c) => ({
              value: String(c.id),
              label: `${c.name}, ${t("{{count}} students", { count: c.students })}`,
            }))}
            {...form.getInputProps("group")}
            value={form.values.group ?? first}
            required
          />
          <DateTimePicker
            label={t("Due")}
            valueFormat="ddd D MMM YYYY, HH:mm"
            {...form.getInputProps("due")}
            required
          />
        </Group>
        {chosen?.built && (
          <Switch
            label={t("Give every student the part in sizes of their own")}
            description={t(
              "Sizes with a range, set in the builder, are drawn for each student and kept.",
            )}
            {...form.getInputProps("varied", { type: "checkbox" })}
          />
        )}
        <CourseFields
          task={task}
          onTask={setTask}
          opens={form.values.opens}
          onOpens={(opens) => form.setFieldValue("opens", opens)}
          closes={form.values.closes}
          onCloses={(closes) => form.setFieldValue("closes", closes)}
        />
        <KindFields task={task} onChange={setTask} />
        <TaskFields task={task} blank={blank} onChange={setTask} />
        {trouble && (
          <Alert color="ink" variant="outline" role="alert">
            {trouble}
          </Alert>
        )}
        <Group>
          <Button type="submit" loading={busy} disabled={parts.isPending || classList.isPending}>
            {t("Set for the class")}
          </Button>
          <Button
            variant="default"
            disabled={busy || parts.isPending || classList.isPending}
            onClick={() => form.onSubmit((values) => void submit(values, true))()}
          >
            {t("Keep as a draft")}
          </Button>
        </Group>
      </Stack>
      <Stack>
        {chosen ? (
          <>
            <div style={{ height: 240 }}>
              <PartView
                model={chosen.model}
                turn={CORNER_TURN}
                label={t("The part as a card model")}
              />
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
            <SpecialViews
              model={chosen.model}
              asked={task.special}
              onChange={(special) => setTask({ ...task, special })}
            />
            {chosen && isGivenKind(task.drafting.kind) && (
              <StartingSheet part={chosen.id} task={task} onChange={setTask} />
            )}
          </>
        ) : (
          <Text className="quiet">
            {t("Choose a part to see it here, with the front views its ranking proposes.")}
          </Text>
        )}
      </Stack>
    </form>
  );
}
