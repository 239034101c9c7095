import { Text } from "@mantine/core";
import { Link } from "react-router";

import type { Exercise } from "../api/types";
import exerciseClasses from "../exercise/Exercises.module.css";
import { t } from "../frame/language";
import { dayAndTime, points } from "../frame/words";
import { PartPicture } from "../turntable/PartPicture";
import { type Listed, nextOf, placeOf } from "./grouped";
import { SetMenu } from "./SetMenu";
import classes from "./Set.module.css";

interface Props {
  exercises: Listed["exercises"];
  teaching: boolean;
}

/** A set among the exercises: one row for the whole, its sheets below. */
export function SetRow({ exercises, teaching }: Props) {
  const [first] = exercises;
  const set = first.in_set;
  if (!set) return null;
  const to = teaching ? `/sets/${set.id}/wall` : placeOf(nextOf(exercises));
  return (
    <section className={classes.listed} aria-label={set.title}>
      <div className={exerciseClasses.line}>
        <Link to={to} className={exerciseClasses.row}>
          <div className={classes.pile}>
            {exercises.slice(0, 3).map((own) => (
              <span key={own.id} className={classes.piled}>
                {own.made && (teaching || own.task.drafting.shown) && (
                  <PartPicture model={own.model} />
                )}
              </span>
            ))}
          </div>
          <div className={exerciseClasses.asked}>
            <Text fw={700} fz={18}>
              {set.title}
            </Text>
            <Text className="quiet">{t("A set of {{count}} sheets", { count: set.of })}</Text>
            <Text className="quiet">
              {first.school_class} · {t("due {{when}}", { when: dayAndTime(first.due_at) })}
              {first.closes_at &&
                ` · ${t("closes {{when}}", { when: dayAndTime(first.closes_at) })}`}
            </Text>
          </div>
          <div className={exerciseClasses.state}>
            {teaching ? <HandedIn exercises={exercises} /> : <Own exercises={exercises} />}
          </div>
        </Link>
        {teaching && (
          <SetMenu
            set={set}
            draft={exercises.some((own) => own.draft)}
            archived={exercises.every((own) => own.archived)}
          />
        )}
      </div>
      <ol className={classes.sheets}>
        {exercises.map((own) => (
          <li key={own.id}>
            <Link
              to={teaching ? `/exercises/${own.id}/${own.draft ? "edit" : "wall"}` : placeOf(own)}
            >
              {own.title}
            </Link>
            <span className="quiet small">
              {teaching
                ? own.draft
                  ? t("draft")
                  : t("{{count}} handed in", { count: own.handed_in })
                : own.sheet_state === "returned"
                  ? `${points(own.points ?? 0)}/${points(own.of_points)}`
                  : own.sheet_state === "handed-in"
                    ? t("Handed in")
                    : own.sheet_state === "draft"
                      ? t("begun")
                      : t("not begun")}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function HandedIn({ exercises }: { exercises: readonly Exercise[] }) {
  if (exercises.every((own) => own.draft)) return <Text>{t("draft")}</Text>;
  const all = sum(exercises.map((own) => own.total));
  return (
    <>
      <Text className="number" fz={20}>
        {sum(exercises.map((own) => own.handed_in))}
        <span className="quiet small">/{all}</span>
      </Text>
      <Text className="quiet small">{t("sheets handed in")}</Text>
    </>
  );
}

function Own({ exercises }: { exercises: Listed["exercises"] }) {
  const returned = exercises.filter((own) => own.sheet_state === "returned");
  if (returned.length === exercises.length)
    return (
      <>
        <Text className="number" fz={20}>
          {points(sum(returned.map((own) => own.points ?? 0)))}
          <span className="quiet small">/{points(sum(returned.map((own) => own.of_points)))}</span>
        </Text>
        <Text className="quiet small">{t("returned: see why")}</Text>
      </>
    );
  const open = exercises.some((own) => !own.sheet_state || own.sheet_state === "draft");
  const begun = exercises.some((own) => own.sheet_state !== null);
  if (!open) return <Text fw={700}>{t("Handed in")}</Text>;
  const late = new Date(exercises[0].due_at) < new Date();
  return (
    <Text fw={700} c={late ? "var(--fault)" : undefined}>
      {begun ? t("Go on drawing") : t("Begin")}
      {late && t(", overdue")}
    </Text>
  );
}

function sum(values: number[]): number {
  return values.reduce((all, own) => all + own, 0);
}
