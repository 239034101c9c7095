import { useRef, useState } from "react";

import { answer, api } from "../api/client";
import type { ProposedSheet } from "../api/types";

/** A sheet that is proposed, and the assembly or part of the shelf it was proposed for; or one that is set already. */
export interface Proposed extends ProposedSheet {
  of: number;
  exercise?: number;
}

/** The sheets that are proposed for what is chosen from the shelf, in the order it was chosen in, after those that are
 *  there already. */
export function useProposed(onTitle: (title: string) => void, there: Proposed[] = []) {
  const [sheets, setSheets] = useState(there);
  const [chosen, setChosen] = useState<string[]>([]);
  const [refused, setRefused] = useState("");
  const wanted = useRef<readonly string[]>([]);
  const earlier = useRef<Promise<void>>(Promise.resolve());
  const want = (next: string[]) => {
    wanted.current = next;
    setChosen(next);
  };
  /** Sheets of what is newly chosen come at the end; those of what is no longer chosen go. */
  const choose = (next: string[]) => {
    const before = wanted.current;
    want(next);
    setRefused("");
    setSheets((own) => own.filter((sheet) => sheet.exercise ?? next.includes(String(sheet.of))));
    for (const id of next.filter((own) => !before.includes(own))) {
      const of = Number(id);
      const asked = answer(api.POST("/api/sets/proposal", { body: { parts: [of] } }));
      // What was chosen before stands before it, whichever answer is there first.
      earlier.current = Promise.all([asked, earlier.current]).then(
        ([found]) => {
          if (!wanted.current.includes(id)) return;
          const mine = found.sheets.map((sheet) => ({ ...sheet, of }));
          setSheets((own) => [...own, ...mine.filter((sheet) => !isAmong(sheet, mine, own))]);
          onTitle(found.title);
        },
        (error: Error) => {
          want(wanted.current.filter((own) => own !== id));
          setRefused(error.message);
        },
      );
    }
  };
  return { sheets, setSheets, chosen, choose, refused };
}

/** Whether the same is asked already: an assembly and one of its parts may both be chosen. A part that is chosen by
 *  itself gets another sheet, though one is set already. */
function isAmong(sheet: Proposed, mine: readonly Proposed[], others: readonly Proposed[]): boolean {
  return others.some(
    (own) =>
      own.part === sheet.part &&
      own.task.shows === sheet.task.shows &&
      (mine.length > 1 || !own.exercise),
  );
}
