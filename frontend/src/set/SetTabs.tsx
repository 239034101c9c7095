import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { useNavigate } from "react-router";

import type { Exercise } from "../api/types";
import { useExercises } from "../exercise/ExercisesPage";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { ofItsSet, placeOf } from "./grouped";
import classes from "./Set.module.css";
import { Tab } from "./Tab";

interface Props {
  exercise: Exercise;
  /** Keeps what is on the bench before it is left. */
  before?: () => Promise<unknown>;
  /** The revision that is kept, so that the small picture follows. */
  revision?: number;
}

/** The sheets of a set side by side, each a tab with a small picture; none for an exercise by itself. */
export function SetTabs({ exercise, before, revision = 0 }: Props) {
  const navigate = useNavigate();
  const teaching = useMe().role === "instructor";
  const listed = useExercises();
  const sheets = ofItsSet(exercise, listed.data ?? []);
  const queries = useQueryClient();
  const begun =
    !teaching && revision > 0 && sheets.some((own) => own.id === exercise.id && !own.sheet);
  useEffect(() => {
    // A sheet that was just kept for the first time has a picture that the list does not know of yet.
    if (begun) void queries.invalidateQueries({ queryKey: ["exercises"] });
  }, [begun, queries]);
  if (sheets.length === 0) return null;
  const open = async (own: Exercise) => {
    if (own.id === exercise.id) return;
    await before?.();
    void navigate(teaching ? `/exercises/${own.id}/bench` : placeOf(own));
  };
  return (
    <nav className={classes.tabs} aria-label={t("Sheets of the set")}>
      {sheets.map((own, at) => {
        const current = own.id === exercise.id;
        const seen = current ? `?revision=${revision}` : "";
        return (
          <Tab
            key={own.id}
            place={own.in_set?.place ?? at + 1}
            title={own.title}
            current={current}
            picture={!teaching && own.sheet ? `/api/sheets/${own.sheet}/drawing.svg${seen}` : null}
            state={teaching ? "draft" : (own.sheet_state ?? null)}
            onOpen={() => void open(own)}
          />
        );
      })}
    </nav>
  );
}
