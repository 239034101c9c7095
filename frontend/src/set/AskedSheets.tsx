import { NativeSelect, Text, TextInput } from "@mantine/core";
import { Link } from "react-router";

import type { Task } from "../api/types";
import { SHOWN_WORDS } from "../exercise/kinds";
import { IconButton } from "../frame/IconButton";
import { t } from "../frame/language";
import { PAPERS } from "../frame/words";
import { PartPicture } from "../turntable/PartPicture";
import classes from "./Set.module.css";
import type { Proposed } from "./useProposed";

interface Props {
  sheets: Proposed[];
  onChange: (sheets: Proposed[]) => void;
}

/** The sheets of a set in their order: titles, papers, what each shows; moved, or left out. */
export function AskedSheets({ sheets, onChange }: Props) {
  if (sheets.length === 0) return null;
  const put = (at: number, next: Proposed) =>
    onChange(sheets.map((own, place) => (place === at ? next : own)));
  const move = (at: number, by: number) => {
    const next = [...sheets];
    const [own] = next.splice(at, 1);
    if (own) next.splice(at + by, 0, own);
    onChange(next);
  };
  return (
    <table className={classes.rows} aria-label={t("Sheets of the set")}>
      <thead>
        <tr>
          <th>{t("Sheet")}</th>
          <th>{t("Part")}</th>
          <th>{t("Title")}</th>
          <th>{t("What the sheet shows")}</th>
          <th>{t("Paper")}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {sheets.map((own, at) => (
          <tr key={`${own.exercise ?? "new"} ${own.part} ${own.task.shows}`}>
            <td className="number">{at + 1}</td>
            <td>
              <span className={classes.rowModel}>
                <PartPicture model={own.model} label={own.part_name} />
              </span>
            </td>
            {own.exercise ? <Kept own={own} /> : <New own={own} at={at} onChange={put} />}
            <td style={{ whiteSpace: "nowrap" }}>
              <IconButton
                variant="subtle"
                tip={t("Earlier")}
                label={t("Sheet {{number}} earlier", { number: at + 1 })}
                disabled={at === 0}
                onClick={() => move(at, -1)}
              >
                <path d="M9 14V4M5 8l4-4 4 4" strokeWidth={1.4} />
              </IconButton>
              <IconButton
                variant="subtle"
                tip={t("Later")}
                label={t("Sheet {{number}} later", { number: at + 1 })}
                disabled={at === sheets.length - 1}
                onClick={() => move(at, 1)}
              >
                <path d="M9 4v10M5 10l4 4 4-4" strokeWidth={1.4} />
              </IconButton>
              <IconButton
                variant="subtle"
                tip={t("Leave it out")}
                label={t("Leave sheet {{number}} out", { number: at + 1 })}
                onClick={() => onChange(sheets.filter((_, place) => place !== at))}
              >
                <path d="M4.5 4.5l9 9M13.5 4.5l-9 9" strokeWidth={1.4} />
              </IconButton>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A sheet that is set already: what it asks is changed in a place of its own. */
function Kept({ own }: { own: Proposed }) {
  return (
    <>
      <td>
        <Link to={`/exercises/${own.exercise}/edit`}>{own.title}</Link>
      </td>
      <Shown own={own} />
      <td>{own.task.paper}</td>
    </>
  );
}

function New({
  own,
  at,
  onChange,
}: {
  own: Proposed;
  at: number;
  onChange: (at: number, next: Proposed) => void;
}) {
  return (
    <>
      <td>
        <TextInput
          aria-label={t("Title of sheet {{number}}", { number: at + 1 })}
          value={own.title}
          error={own.title.trim() ? null : t("Give it a title.")}
          onChange={(e) => onChange(at, { ...own, title: e.currentTarget.value })}
        />
      </td>
      <Shown own={own} />
      <td>
        <NativeSelect
          aria-label={t("Paper of sheet {{number}}", { number: at + 1 })}
          data={PAPERS}
          value={own.task.paper}
          onChange={(e) =>
            onChange(at, {
              ...own,
              task: { ...own.task, paper: e.currentTarget.value as Task["paper"] },
            })
          }
        />
      </td>
    </>
  );
}

function Shown({ own }: { own: Proposed }) {
  return (
    <td>
      <Text size="sm">{t(SHOWN_WORDS[own.task.shows])}</Text>
      {own.task.dimensioning.required && <Text className="quiet small">{t("with all sizes")}</Text>}
    </td>
  );
}
