import { Group, Select, Stack, Switch, Text, TextInput, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
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
import { ForWhom } from "./ForWhom";
import { useChoices } from "./useChoices";
import { KindFields } from "./KindFields";
import { isGivenKind, isOfParts } from "./kinds";
import { nextWeek } from "./nextWeek";
import { SpecialViews } from "./SpecialViews";
import { SetOrDraft } from "./SetOrDraft";
import { ShownFields } from "./ShownFields";
import { StartingSheet } from "./StartingSheet";
import { TaskFields } from "./TaskFields";

const CORNER_TURN = turnOfCorner("+-+", "+z");

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
  const { ready, classes: classList, first, pending } = useChoices();
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

  const chosen = ready.find((p) => String(p.id) === form.values.part);
  /** Whether sizes may have ranges: in the builder they are given, and an assembly has its parts' own. */
  const mayVary = chosen !== undefined && (chosen.built || chosen.assembly);
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
            varied: varied && mayVary,
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
          <ForWhom
            classes={classList}
            first={first}
            chosen={form.values.group}
            inputOf={form.getInputProps}
          />
        </Group>
        {mayVary && (
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
        {(chosen?.assembly || task.shows !== "views") && (
          <ShownFields task={task} onChange={setTask} />
        )}
        {!isOfParts(task) && <KindFields task={task} onChange={setTask} />}
        <TaskFields task={task} blank={blank} onChange={setTask} />
        <SetOrDraft
          trouble={trouble}
          busy={busy}
          disabled={pending}
          onDraft={() => form.onSubmit((values) => void submit(values, true))()}
        />
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
            {!isOfParts(task) && (
              <>
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
              </>
            )}
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
