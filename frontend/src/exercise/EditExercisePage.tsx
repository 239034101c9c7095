import { Stack, Switch, Text, TextInput, Title } from "@mantine/core";
import { DateTimePicker } from "@mantine/dates";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { BlankTask, ChangedExercise, Exercise } from "../api/types";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import { AcceptedFronts } from "./AcceptedFronts";
import { CourseFields } from "./CourseFields";
import classes from "./Exercises.module.css";
import { KindFields } from "./KindFields";
import { isGivenKind, isOfParts } from "./kinds";
import { SpecialViews } from "./SpecialViews";
import { SetOrDraft } from "./SetOrDraft";
import { ShownFields } from "./ShownFields";
import { StartingSheet } from "./StartingSheet";
import { TaskFields } from "./TaskFields";
import { TrialTable } from "./TrialTable";

/** An exercise changed after it was drafted or set; what that does to the sheets that are in is shown before. */
export default function EditExercisePage() {
  const id = Number(useParams().exercise);
  const exercise = useQuery({
    queryKey: ["exercise", id],
    queryFn: () =>
      answer(api.GET("/api/exercises/{exercise_id}", { params: { path: { exercise_id: id } } })),
  });
  const blank = useQuery({
    queryKey: ["blank task"],
    staleTime: Infinity,
    queryFn: () => answer(api.GET("/api/exercises/blank")),
  });
  const error = exercise.error ?? blank.error;
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> / <strong>{exercise.data?.title ?? ""}</strong>
          </>
        }
      />
      {error && <Trouble error={error} />}
      {exercise.data && blank.data ? (
        <EditForm exercise={exercise.data} blank={blank.data} />
      ) : (
        !error && <Waiting />
      )}
    </>
  );
}

const local = (time: string | null | undefined) =>
  time ? dayjs(time).format("YYYY-MM-DD HH:mm:ss") : null;
const sent = (time: string | null) => (time ? dayjs(time).toISOString() : null);

function EditForm({ exercise, blank }: { exercise: Exercise; blank: BlankTask }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [task, setTask] = useState(exercise.task);
  const [title, setTitle] = useState(exercise.title);
  const [due, setDue] = useState(local(exercise.due_at));
  const [opens, setOpens] = useState(local(exercise.opens_at));
  const [closes, setCloses] = useState(local(exercise.closes_at));
  const [newest, setNewest] = useState(false);
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(false);
  const form = (draft: boolean): ChangedExercise => ({
    title,
    due_at: sent(due) ?? exercise.due_at,
    opens_at: sent(opens),
    closes_at: sent(closes),
    task,
    newest_part: newest,
    draft,
  });
  const change = async (draft: boolean) => {
    setTrouble("");
    setBusy(true);
    try {
      await answer(
        api.PUT("/api/exercises/{exercise_id}", {
          params: { path: { exercise_id: exercise.id } },
          body: form(draft),
        }),
      );
      await queries.invalidateQueries();
      tell(draft ? t("Kept as a draft.") : t("Changed."));
      void navigate(draft ? "/" : `/exercises/${exercise.id}/wall`);
    } catch (error) {
      setTrouble((error as Error).message);
    }
    setBusy(false);
  };
  return (
    <form
      className={classes.form}
      onSubmit={(event) => {
        event.preventDefault();
        void change(false);
      }}
    >
      <Stack>
        <Title order={1} size="h2">
          {exercise.draft ? t("A drafted exercise") : t("Change the exercise")}
        </Title>
        <TextInput
          label={t("Title")}
          required
          value={title}
          onChange={(event) => setTitle(event.currentTarget.value)}
        />
        <DateTimePicker
          label={t("Due")}
          valueFormat="ddd D MMM YYYY, HH:mm"
          required
          value={due}
          onChange={setDue}
        />
        {exercise.part_changed && (
          <Switch
            label={t("Draw the part as it stands on the shelf now")}
            description={t("It was changed since. Sheets that are out are checked again.")}
            checked={newest}
            onChange={(event) => setNewest(event.currentTarget.checked)}
          />
        )}
        <CourseFields
          task={task}
          onTask={setTask}
          opens={opens}
          onOpens={setOpens}
          closes={closes}
          onCloses={setCloses}
        />
        {task.shows !== "views" && <ShownFields task={task} onChange={setTask} />}
        {!isOfParts(task) && <KindFields task={task} onChange={setTask} />}
        <TaskFields task={task} blank={blank} onChange={setTask} />
        <SetOrDraft
          trouble={trouble}
          busy={busy}
          label={exercise.draft ? undefined : t("Change it")}
          onDraft={exercise.draft ? () => void change(true) : undefined}
        />
      </Stack>
      <Stack>
        <TrialTable exercise={exercise} form={form(exercise.draft)} />
        {!isOfParts(task) && (
          <>
            <AcceptedFronts
              model={exercise.model}
              accepted={task.front.accept}
              onChange={(accept) => setTask({ ...task, front: { ...task.front, accept } })}
            />
            <SpecialViews
              model={exercise.model}
              asked={task.special}
              onChange={(special) => setTask({ ...task, special })}
            />
          </>
        )}
        {isGivenKind(task.drafting.kind) && (
          <StartingSheet part={exercise.part} task={task} onChange={setTask} />
        )}
        <Text className="quiet small">{t("The part: {{part}}", { part: exercise.part_name })}</Text>
      </Stack>
    </form>
  );
}
