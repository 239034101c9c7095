import { said, t } from "../frame/language";
import type { CountRow } from "../api/types";
import classes from "./Reader.module.css";

interface Props {
  rows: readonly CountRow[];
  /** Without a sheet only what is needed can be told. */
  bare?: boolean;
  needed?: number | null;
  least?: number | null;
}

/** Short, since the table has to stand in a narrow column. */
const HEADS: Record<CountRow["row"], string> = {
  width: said("wide"),
  height: said("high"),
  depth: said("deep"),
  angle: said("sizes|slant"),
  round: said("sizes|round"),
};

/** What the heads and the lines of the table mean, for whoever asks. */
const MEANINGS: [string, string][] = [
  [
    said("wide, high, deep"),
    said(
      "Sizes along the width, height and depth of the front view. A slope counts in the directions it runs in.",
    ),
  ],
  [said("sizes|slant"), said("Angles, and lengths measured along a slope, where they are given.")],
  [said("sizes|round"), said("Diameters and radii.")],
  [
    said("stretches"),
    said("How many stretches a direction is divided into by what is drawn in line along it."),
  ],
  [
    said("needed"),
    said("What is given, less what is too much, and what is missing. All rows make up the sum."),
  ],
];

const DIRECTIONS: readonly string[] = ["width", "height", "depth"];

type Line = { name: string; of: (row: CountRow) => number; fault?: boolean; ofSheet?: boolean };

const LINES: Line[] = [
  { name: said("stretches"), of: (row) => row.stretches },
  { name: said("needed"), of: (row) => row.needed },
  { name: said("given"), of: (row) => row.given, ofSheet: true },
  { name: said("missing"), of: (row) => row.missing, fault: true, ofSheet: true },
  { name: said("too many"), of: (row) => row.surplus, fault: true, ofSheet: true },
];

/** Sizes per direction: stretches, needed, given, missing, too many; as the algebra has it. */
export function CountTable({ rows, bare = false, needed, least }: Props) {
  // Most parts have nothing aslant: the row would only take room.
  const shown = rows.filter(
    (row) => row.row !== "angle" || row.needed + row.given + row.missing > 0,
  );
  return (
    <>
      <table className={`plain ${classes.counts}`} aria-label={t("Count of sizes")}>
        <thead>
          <tr>
            <th />
            {shown.map((row) => (
              <th key={row.row}>{t(HEADS[row.row])}</th>
            ))}
            <th>{t("sizes|all")}</th>
          </tr>
        </thead>
        <tbody>
          {LINES.filter((line) => !bare || !line.ofSheet).map(({ name, of, fault }) => {
            const whole = rows.reduce((all, row) => all + of(row), 0);
            return (
              <tr key={name}>
                <th scope="row">{t(name)}</th>
                {shown.map((row) => (
                  <td key={row.row} className="number" data-off={fault && of(row) > 0}>
                    {name === "stretches" && !DIRECTIONS.includes(row.row) ? "" : of(row)}
                  </td>
                ))}
                <td className="number" data-off={fault && whole > 0}>
                  {name === "stretches" ? "" : whole}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <details className={classes.meanings}>
        <summary>{t("What is counted")}</summary>
        <dl>
          {MEANINGS.map(([head, meaning]) => (
            <div key={head}>
              <dt>{t(head)}</dt>
              <dd>{t(meaning)}</dd>
            </div>
          ))}
        </dl>
      </details>
      {needed != null && least != null && needed > least && (
        <p className={`quiet small ${classes.note}`}>
          {t(
            "{{least}} where corners drawn in line are read as in line, up to {{needed}} where each has its own size. Both are right.",
            { least, needed },
          )}
        </p>
      )}
    </>
  );
}
