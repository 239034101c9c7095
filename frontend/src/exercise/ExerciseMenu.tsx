import { ActionIcon, Menu } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";

import { answer, api } from "../api/client";
import type { Exercise } from "../api/types";
import { t } from "../frame/language";
import { complain, tell } from "../frame/tell";

interface Props {
  exercise: Exercise;
  children?: React.ReactNode;
  /** What can be done with it where this menu stands. */
  more?: React.ReactNode;
}

/** What can be done with an exercise besides marking it. */
export function ExerciseMenu({ exercise, children, more }: Props) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const classes = useQuery({
    queryKey: ["classes", "current"],
    queryFn: () => answer(api.GET("/api/classes", { params: { query: { archived: false } } })),
  });
  const params = { path: { exercise_id: exercise.id } };
  const run = async (work: () => Promise<void>) => {
    try {
      await work();
    } catch (error) {
      complain(error);
    }
    await queries.invalidateQueries({ queryKey: ["exercises"] });
  };
  const copy = (school: { id: number }) =>
    run(async () => {
      const made = await answer(
        api.POST("/api/exercises/{exercise_id}/copy", {
          params,
          body: {
            school_class: school.id,
            title: exercise.title,
            due_at: new Date(Date.now() + 7 * 86_400_000).toISOString(),
          },
        }),
      );
      void navigate(`/exercises/${made.id}/edit`);
    });
  const archive = (archived: boolean) =>
    run(async () => {
      await answer(
        api.PUT("/api/exercises/{exercise_id}/archived", { params, body: { archived } }),
      );
      tell(archived ? t("Out of the way; nothing of it is lost.") : t("It is back."));
    });
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        {children ?? (
          <ActionIcon
            variant="subtle"
            aria-label={t("What to do with {{title}}", { title: exercise.title })}
          >
            ⋯
          </ActionIcon>
        )}
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => void navigate(`/exercises/${exercise.id}/edit`)}>
          {t("Change the exercise")}
        </Menu.Item>
        <Menu.Item onClick={() => void navigate(`/exercises/${exercise.id}/marking`)}>
          {t("How it is marked")}
        </Menu.Item>
        <Menu.Item component="a" href={`/api/exercises/${exercise.id}/marks.csv`}>
          {t("Marks as CSV")}
        </Menu.Item>
        <Menu.Item component="a" href={`/api/exercises/${exercise.id}/marks.xlsx`}>
          {t("Marks as XLSX")}
        </Menu.Item>
        <Menu.Item onClick={() => void navigate(`/exercises/${exercise.id}/slips`)}>
          {t("All slips as one PDF")}
        </Menu.Item>
        {more}
        <Menu.Divider />
        {classes.data?.map((school) => (
          <Menu.Item key={school.id} onClick={() => void copy(school)}>
            {t("Copy for {{name}}", { name: school.name })}
          </Menu.Item>
        ))}
        <Menu.Item onClick={() => void archive(!exercise.archived)}>
          {exercise.archived ? t("Bring it back") : t("Archive")}
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
