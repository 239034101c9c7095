import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";

import type { Sheet } from "../api/types";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import classes from "./Set.module.css";
import { setWallOf } from "./setWallOf";
import { SetTabs } from "./SetTabs";
import { Tab } from "./Tab";

/** The stack a sheet on the table lies in, as tabs: a student's own, or for the instructor that of the student. */
export function StackTabs({ sheet }: { sheet: Sheet }) {
  const teaching = useMe().role === "instructor";
  if (!sheet.exercise.in_set) return null;
  return teaching ? (
    <Stacked sheet={sheet} set={sheet.exercise.in_set.id} />
  ) : (
    <SetTabs exercise={sheet.exercise} />
  );
}

function Stacked({ sheet, set }: { sheet: Sheet; set: number }) {
  const navigate = useNavigate();
  const wall = useQuery(setWallOf(set));
  const stack = wall.data?.stacks.find((own) => own.sheets.some((one) => one.sheet === sheet.id));
  // An attempt before the last lies in no stack.
  if (!wall.data || !stack) return null;
  return (
    <nav className={classes.tabs} aria-label={t("Sheets of the set")}>
      {stack.sheets.map((own, at) => (
        <Tab
          key={own.exercise}
          place={at + 1}
          title={wall.data.places[at]?.title ?? ""}
          current={own.sheet === sheet.id}
          picture={
            own.sheet ? `/api/sheets/${own.sheet}/drawing.svg?revision=${own.revision}` : null
          }
          state={own.state ?? null}
          disabled={own.sheet === null}
          onOpen={() => void navigate(`/sheets/${own.sheet}`)}
        />
      ))}
    </nav>
  );
}
