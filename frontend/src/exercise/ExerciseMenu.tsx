import { Menu } from "@mantine/core";
import { useNavigate } from "react-router";

import { answer, api } from "../api/client";
import type { Exercise } from "../api/types";
import { t } from "../frame/language";
import { tell } from "../frame/tell";
import { useDeed } from "../frame/useDeed";
import { CopyAndArchive, MenuDots, archivedWords } from "./CopyAndArchive";

interface Props {
  exercise: Exercise;
  children?: React.ReactNode;
  /** What can be done with it where this menu stands. */
  more?: React.ReactNode;
}

/** What can be done with an exercise besides marking it. */
export function ExerciseMenu({ exercise, children, more }: Props) {
  const navigate = useNavigate();
  const params = { path: { exercise_id: exercise.id } };
  const run = useDeed(["exercises"]);
  const copy = (asked: { school_class: number; due_at: string }) =>
    run(async () => {
      const made = await answer(
        api.POST("/api/exercises/{exercise_id}/copy", {
          params,
          body: { ...asked, title: exercise.title },
        }),
      );
      void navigate(`/exercises/${made.id}/edit`);
    });
  const archive = (archived: boolean) =>
    run(async () => {
      await answer(
        api.PUT("/api/exercises/{exercise_id}/archived", { params, body: { archived } }),
      );
      tell(archivedWords(archived));
    });
  return (
    <Menu position="bottom-end">
      <Menu.Target>{children ?? <MenuDots title={exercise.title} />}</Menu.Target>
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
        <CopyAndArchive
          archived={exercise.archived}
          onCopy={(asked) => void copy(asked)}
          onArchive={(next) => void archive(next)}
        />
      </Menu.Dropdown>
    </Menu>
  );
}
