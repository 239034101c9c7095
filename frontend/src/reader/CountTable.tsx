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
const HEADS = { width: "wide", height: "high", depth: "deep" } as const;

type Line = { name: string; of: (row: CountRow) => number; fault?: boolean; ofSheet?: boolean };

const LINES: Line[] = [
  { name: "stretches", of: (row) => row.stretches },
  { name: "needed", of: (row) => row.needed },
  { name: "given", of: (row) => row.given, ofSheet: true },
  { name: "missing", of: (row) => row.missing, fault: true, ofSheet: true },
  { name: "too many", of: (row) => row.surplus, fault: true, ofSheet: true },
];

/** Sizes per direction: stretches, needed, given, missing, too many; as the algebra has it. */
export function CountTable({ rows, bare = false, needed, least }: Props) {
  return (
    <>
      <table className={`plain ${classes.counts}`} aria-label="Count of sizes">
        <thead>
          <tr>
            <th />
            {rows.map((row) => (
              <th key={row.direction ?? "others"} title={row.direction ?? "radii and slopes"}>
                {row.direction ? HEADS[row.direction] : "round"}
              </th>
            ))}
            <th>all</th>
          </tr>
        </thead>
        <tbody>
          {LINES.filter((line) => !bare || !line.ofSheet).map(({ name, of, fault }) => {
            const whole = rows.reduce((all, row) => all + of(row), 0);
            return (
              <tr key={name}>
                <th scope="row">{name}</th>
                {rows.map((row) => (
                  <td
                    key={row.direction ?? "others"}
                    className="number"
                    data-off={fault && of(row) > 0}
                  >
                    {name === "stretches" && !row.direction ? "" : of(row)}
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
      {needed != null && least != null && needed > least && (
        <p className={`quiet small ${classes.note}`}>
          {least} where corners drawn in line are read as in line, up to {needed} where each has its
          own size. Both are right.
        </p>
      )}
    </>
  );
}
