import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import type { FindingPlace, Wall } from "../api/types";
import { t } from "../frame/language";
import { tell } from "../frame/tell";
import { useOutbox } from "../marking/useOutbox";

type Decision = "upheld" | "waived" | null;

/** Decide about findings of several sheets: shown at once, kept as soon as the service is reached. */
export function useDeciding(exercise: number) {
  const queries = useQueryClient();
  const outbox = useOutbox();
  const [trouble, setTrouble] = useState("");
  const decide = (findings: FindingPlace[], decision: Decision, remark: string | null) => {
    setTrouble("");
    queries.setQueryData<Wall>(["wall", exercise], (wall) =>
      wall ? decidedOn(wall, findings, decision, remark) : wall,
    );
    const path = `/api/exercises/${exercise}/decisions`;
    outbox
      .add({ method: "POST", path, body: { findings, decision, remark } })
      .then((answer) => {
        const { left } = answer as { left: number };
        if (left > 0)
          tell(t("{{count}} findings were left as they are: returned meanwhile.", { count: left }));
      })
      .catch((error: Error) => setTrouble(error.message))
      .finally(() => {
        void queries.invalidateQueries({ queryKey: ["wall", exercise] });
        void queries.invalidateQueries({ queryKey: ["remarks"] });
      });
  };
  return { decide, trouble };
}

/** The wall as it will be. */
function decidedOn(
  wall: Wall,
  findings: FindingPlace[],
  decision: Decision,
  remark: string | null,
): Wall {
  const wanted = new Set(findings.map((place) => `${place.sheet}/${place.number}`));
  return {
    ...wall,
    sheets: wall.sheets.map((sheet) => {
      const own = sheet.findings.map((finding) =>
        wanted.has(`${sheet.id}/${finding.number}`)
          ? { ...finding, decision, remark: remark ?? finding.remark }
          : finding,
      );
      if (own.every((finding, index) => finding === sheet.findings[index])) return sheet;
      return { ...sheet, findings: own, decided: own.filter((f) => f.decision !== null).length };
    }),
  };
}
