import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";

import type { Criterion, NotRead, Point, Sheet } from "../api/types";
import { t } from "../frame/language";
import { useOutbox } from "../marking/useOutbox";

export type Decision = "upheld" | "waived" | null;

export interface NewMistake {
  criterion: Criterion;
  words: string;
  cost: number;
  at: Point | null;
}

/**
 * What an instructor writes on a sheet: shown at once, and kept in the order it was done as soon as the service is
 * reached. A remark still on its way is kept before the sheet is returned, and a sheet of which anything was refused is
 * not returned.
 */
export function useMarking(sheet: Sheet) {
  const queries = useQueryClient();
  const outbox = useOutbox();
  // What was refused stays here until the same thing is kept: another one that is kept does not make up for it.
  const refused = useRef(new Set<string>());
  const under = useRef(new Set<Promise<unknown>>());
  const [trouble, setTrouble] = useState("");
  const [returning, setReturning] = useState(false);
  const path = `/api/sheets/${sheet.id}`;
  const key = ["sheet", sheet.id];
  const standing = () => queries.getQueryData<Sheet>(key) ?? sheet;

  const send = (
    what: string,
    method: "PUT" | "POST" | "DELETE",
    end: string,
    body?: unknown,
    meanwhile: (sheet: Sheet) => Sheet = (same) => same,
  ) => {
    setTrouble("");
    // What is asked for just now was asked before the change.
    void queries.cancelQueries({ queryKey: key });
    queries.setQueryData<Sheet>(key, meanwhile(standing()));
    const kept = outbox.add({ method, path: path + end, body });
    under.current.add(kept);
    const over = kept.then(
      (fresh) => {
        under.current.delete(kept);
        refused.current.delete(what);
        // What comes after it is not in this answer yet.
        if (under.current.size === 0) queries.setQueryData(key, fresh);
        void queries.invalidateQueries({ queryKey: ["wall"] });
        void queries.invalidateQueries({ queryKey: ["remarks"] });
      },
      (error: Error) => {
        under.current.delete(kept);
        refused.current.add(what);
        setTrouble(error.message);
        // Somebody else may have decided meanwhile: what stands now is shown.
        void queries.invalidateQueries({ queryKey: key });
      },
    );
    return over;
  };

  const decide = (number: number, decision: Decision, remark?: string) => {
    const before = standing().findings.find((own) => own.number === number);
    const body = {
      decision,
      remark: remark ?? null,
      seen: before?.decision ?? "open",
      checker: sheet.checker,
    };
    void send(`finding ${number}`, "PUT", `/findings/${number}`, body, (own) => ({
      ...own,
      findings: own.findings.map((finding) =>
        finding.number === number
          ? { ...finding, decision, remark: remark ?? finding.remark }
          : finding,
      ),
    }));
  };
  const remark = (text: string) => {
    // It stays in its field until it is kept, and where it is refused.
    void send("remark", "PUT", "/remark", { remark: text });
  };
  const add = (mistake: NewMistake) => {
    const body = { ...mistake, key: crypto.randomUUID() };
    void send(`added ${body.key}`, "POST", "/added", body);
  };
  const takeBack = (id: number) =>
    void send(`added ${id}`, "DELETE", `/added/${id}`, undefined, (own) => ({
      ...own,
      added: own.added.filter((mistake) => mistake.id !== id),
    }));
  const pin = (points: Point[], words: string) => {
    const body = { points, words, key: crypto.randomUUID() };
    void send(`pin ${body.key}`, "POST", "/pins", body, (own) => ({
      ...own,
      // Numbers of the service's own are above nothing.
      pins: [...own.pins, { id: -own.pins.length - 1, points, words }],
    }));
  };
  const unpin = (id: number) =>
    void send(`pin ${id}`, "DELETE", `/pins/${id}`, undefined, (own) => ({
      ...own,
      pins: own.pins.filter((one) => one.id !== id),
    }));
  const give = (criterion: Criterion | "bonus", points: number | null) =>
    void send(`mark ${criterion}`, "PUT", `/marks/${criterion}`, { points });

  const look = (place: number, looked: boolean) =>
    void send(
      `not read ${place}`,
      "PUT",
      `/original/not-read/${place}`,
      { looked_at: looked },
      (own) =>
        own.original === null
          ? own
          : {
              ...own,
              original: { ...own.original, not_read: ticked(own.original.not_read, place, looked) },
            },
    );

  const giveBack = async () => {
    setReturning(true);
    await Promise.allSettled([...under.current]);
    if (refused.current.size > 0) {
      setTrouble(t("A remark or decision was not kept, so the sheet is not returned."));
    } else {
      try {
        await outbox.add({ method: "POST", path: `${path}/return` });
      } catch (error) {
        setTrouble((error as Error).message);
      }
      await Promise.all([
        queries.invalidateQueries({ queryKey: key }),
        queries.invalidateQueries({ queryKey: ["wall"] }),
      ]);
    }
    setReturning(false);
  };
  return { decide, remark, add, takeBack, pin, unpin, give, look, giveBack, returning, trouble };
}

function ticked(notRead: readonly NotRead[], place: number, looked: boolean): NotRead[] {
  return notRead.map((told, at) => (at === place ? { ...told, looked_at: looked } : told));
}

export type Marking = ReturnType<typeof useMarking>;
