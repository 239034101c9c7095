import { Button, Group, Switch, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Exercise } from "../api/types";
import { useMe } from "../frame/me";
import { Trouble, Waiting } from "../frame/Messages";
import { angleWords, dayAndTime, points, term, viewLabel } from "../frame/words";
import { JoinForm } from "../people/JoinForm";
import { grouped, placeOf } from "../set/grouped";
import { SetRow } from "../set/SetRow";
import { PartPicture } from "../turntable/PartPicture";
import { ExerciseMenu } from "./ExerciseMenu";
import classes from "./Exercises.module.css";

export function useExercises(archived = false) {
  return useQuery({
    queryKey: archived ? ["exercises", "archived"] : ["exercises"],
    queryFn: () => answer(api.GET("/api/exercises", { params: { query: { archived } } })),
  });
}

/** What a student has to do, or what an instructor has set. */
export function ExercisesPage() {
  const me = useMe();
  const [archived, setArchived] = useState(false);
  const exercises = useExercises(archived);
  const teaching = me.role === "instructor";
  return (
    <main className={classes.page}>
      <Group justify="space-between" mb="lg">
        <Title order={1} size="h2">
          {teaching ? t("Exercises") : t("Your exercises")}
        </Title>
        {teaching && (
          <Group gap="lg">
            <Switch
              size="xs"
              label={t("Archived ones")}
              checked={archived}
              onChange={(event) => setArchived(event.currentTarget.checked)}
            />
            <Button component={Link} to="/sets/new" variant="default">
              {t("Set several sheets")}
            </Button>
            <Button component={Link} to="/exercises/new">
              {t("Set an exercise")}
            </Button>
          </Group>
        )}
      </Group>
      {exercises.isPending && <Waiting />}
      {exercises.error && (
        <Trouble error={exercises.error} onRetry={() => void exercises.refetch()} />
      )}
      {exercises.data?.length === 0 && (
        <Text>
          {archived
            ? t("No exercise is archived.")
            : teaching
              ? t(
                  "No exercise yet. Set the first one: choose a part from your shelf and say what is asked of its drawing.",
                )
              : t("Nothing to do yet. Exercises appear here as soon as your instructor sets them.")}
        </Text>
      )}
      {!teaching && exercises.data && (
        <details open={exercises.data.length === 0} className={classes.join}>
          <summary>{t("Come into another class")}</summary>
          <JoinForm />
        </details>
      )}
      {grouped(exercises.data ?? []).map(({ key, exercises: own }) =>
        own[0].in_set ? (
          <SetRow key={key} exercises={own} teaching={teaching} />
        ) : teaching ? (
          <TeachingRow key={key} exercise={own[0]} />
        ) : (
          <StudentRow key={key} exercise={own[0]} />
        ),
      )}
    </main>
  );
}

function Asked({ exercise }: { exercise: Exercise }) {
  const { task } = exercise;
  return (
    <div className={classes.asked}>
      <Text fw={700} fz={18}>
        {exercise.title}
      </Text>
      <Text className="quiet">
        {task.paper}, {term(task.units)}, {angleWords(task.angle)},{" "}
        {task.views ? task.views.map(viewLabel).join(", ") : t("views of your choice")}
        {task.scale ? `, ${task.scale}` : ""}
      </Text>
      <Text className="quiet">
        {exercise.school_class} · {t("due {{when}}", { when: dayAndTime(exercise.due_at) })}
        {exercise.more_minutes > 0 && ` (${t("with your extra time")})`}
        {task.course !== "homework" && ` · ${term(task.course)}`}
        {exercise.closes_at &&
          ` · ${t("closes {{when}}", { when: dayAndTime(exercise.closes_at) })}`}
        {exercise.part_changed && (
          <span style={{ color: "var(--doubt)" }}> · {t("its part has changed")}</span>
        )}
      </Text>
    </div>
  );
}

function Model({ exercise, shown }: { exercise: Exercise; shown: boolean }) {
  return (
    <div className={classes.model}>
      {shown && exercise.made && <PartPicture model={exercise.model} />}
    </div>
  );
}

function TeachingRow({ exercise }: { exercise: Exercise }) {
  const out = exercise.handed_in - exercise.returned;
  return (
    <div className={classes.line}>
      <Link
        to={exercise.draft ? `/exercises/${exercise.id}/edit` : `/exercises/${exercise.id}/wall`}
        className={classes.row}
      >
        <Model exercise={exercise} shown />
        <Asked exercise={exercise} />
        {exercise.draft ? (
          <Text className={classes.state}>{t("draft")}</Text>
        ) : (
          <>
            <div className={classes.state}>
              <Text className="number" fz={20}>
                {exercise.handed_in}
                <span className="quiet small">/{exercise.total}</span>
              </Text>
              <Text className="quiet small">{t("handed in")}</Text>
            </div>
            <div className={classes.state}>
              <Text className="number" fz={20}>
                {out}
              </Text>
              <Text className="quiet small">{t("to return")}</Text>
            </div>
          </>
        )}
      </Link>
      <ExerciseMenu exercise={exercise} />
    </div>
  );
}

function StudentRow({ exercise }: { exercise: Exercise }) {
  const state = exercise.sheet_state;
  const late = new Date(exercise.due_at) < new Date();
  return (
    <Link to={placeOf(exercise)} className={classes.row}>
      <Model exercise={exercise} shown={exercise.task.drafting.shown} />
      <Asked exercise={exercise} />
      <div className={classes.state}>
        {state === "returned" ? (
          <>
            <Text className="number" fz={20}>
              {exercise.grade !== null && <strong>{exercise.grade} </strong>}
              {points(exercise.points ?? 0)}
              <span className="quiet small">/{exercise.of_points}</span>
            </Text>
            <Text className="quiet small">
              {exercise.attempts_left > 0
                ? t("returned; {{count}} attempts left", { count: exercise.attempts_left })
                : t("returned: see why")}
            </Text>
          </>
        ) : (
          <Text fw={700} c={late && state !== "handed-in" ? "var(--fault)" : undefined}>
            {state === "handed-in"
              ? t("Handed in")
              : state === "draft"
                ? t("Go on drawing") + (late ? t(", overdue") : "")
                : t("Begin") + (late ? t(", overdue") : "")}
          </Text>
        )}
      </div>
    </Link>
  );
}
