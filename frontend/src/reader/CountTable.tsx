import type { CountRow } from "../api/types";
import classes from "./Reader.module.css";

interface Props {
  rows: readonly CountRow[];
  /** Without a sheet only what is needed can be told. */
  bare?: boolean;
  needed?: number | null;
  least?: number | null;
}

/** Sizes per direction: stretches, needed, given, missing, too many; as the algebra has it. */
export function CountTable({ rows, bare = false, needed, least }: Props) {
  const sum = (of: (row: CountRow) => number) => rows.reduce((all, row) => all + of(row), 0);
  return (
    <table className={`plain ${classes.counts}`} aria-label="Count of sizes">
      <thead>
        <tr>
          <th />
          <th>stretches</th>
          <th>needed</th>
          {!bare && (
            <>
              <th>given</th>
              <th>missing</th>
              <th>too many</th>
            </>
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.direction ?? "others"}>
            <td>{row.direction ?? "radii, slopes"}</td>
            <td className="number">{row.direction ? row.stretches : ""}</td>
            <td className="number">{row.needed}</td>
            {!bare && (
              <>
                <td className="number">{row.given}</td>
                <td className="number" data-off={row.missing > 0}>
                  {row.missing}
                </td>
                <td className="number" data-off={row.surplus > 0}>
                  {row.surplus}
                </td>
              </>
            )}
          </tr>
        ))}
        <tr>
          <td>in all</td>
          <td />
          <td className="number">{sum((row) => row.needed)}</td>
          {!bare && (
            <>
              <td className="number">{sum((row) => row.given)}</td>
              <td className="number">{sum((row) => row.missing)}</td>
              <td className="number">{sum((row) => row.surplus)}</td>
            </>
          )}
        </tr>
        {needed != null && least != null && needed > least && (
          <tr>
            <td colSpan={bare ? 3 : 6} className="quiet small">
              {least} where corners drawn in line are read as in line, up to {needed} where each has
              its own size. Both are right.
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
