import type { Finding, WallSheet } from "../api/types";

/** The next sheet after one, round the pile, that has the same mistake, or else the same kind of mistake. */
export function sameMistake(
  sheets: readonly WallSheet[],
  from: number,
  finding: Pick<Finding, "share" | "kind">,
): { sheet: number; number: number } | null {
  const start = sheets.findIndex((sheet) => sheet.id === from);
  const round = [...sheets.slice(start + 1), ...sheets.slice(0, Math.max(start, 0))];
  for (const alike of ["share", "kind"] as const) {
    for (const sheet of round) {
      const own = sheet.findings.find((other) => other[alike] === finding[alike]);
      if (own) return { sheet: sheet.id, number: own.number };
    }
  }
  return null;
}
