import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";

import { t } from "../frame/language";
import { answer, api, fileBody } from "../api/client";
import type { Delivery } from "../api/types";

/** A file of a class on its way to the wall. */
export interface Delivered {
  key: string;
  file: File;
  /** The page of the file, from 1. */
  page: number;
  state: "waiting" | "reading" | "pinned" | "left" | "unknown" | "failed";
  words: string;
  candidates: Delivery["candidates"];
}

type Arriving = Pick<Delivered, "key" | "file" | "page">;

const AT_ONCE = 2;

/** The pages of a file beside the first. */
function furtherPages(pages: number): number[] {
  return Array.from({ length: pages - 1 }, (_, k) => k + 2);
}

/** Files of a class read, checked and pinned up, two at a time; one that fails does not stop the others. */
export function useDeliveries(exercise: number) {
  const queries = useQueryClient();
  const [list, setList] = useState<Delivered[]>([]);

  const note = useCallback(
    (key: string, change: Partial<Delivered>) =>
      setList((now) => now.map((d) => (d.key === key ? { ...d, ...change } : d))),
    [],
  );
  const deliver = useCallback(
    async ({ key, file, page }: Arriving, student?: number) => {
      note(key, { state: "reading", words: "reading", candidates: [] });
      try {
        const done = await answer(
          api.POST("/api/exercises/{exercise_id}/deliveries", {
            params: { path: { exercise_id: exercise } },
            ...fileBody(file, {
              page: String(page),
              ...(student === undefined ? {} : { student: String(student) }),
            }),
          }),
        );
        note(key, outcome(done));
        return done.pages;
      } catch (error) {
        note(key, { state: "failed", words: (error as Error).message });
        return 1;
      }
    },
    [exercise, note],
  );
  const bringIn = useCallback(
    (files: File[]) => {
      const queue: Arriving[] = [];
      const wait = (arriving: Arriving[]) => {
        queue.push(...arriving);
        setList((now) => [
          ...now,
          ...arriving.map((a): Delivered => ({
            ...a,
            state: "waiting",
            words: "waiting",
            candidates: [],
          })),
        ]);
      };
      const begun = Date.now();
      wait(files.map((file, k) => ({ key: `${begun}-${k}-${file.name}`, file, page: 1 })));
      const work = async () => {
        for (let next = queue.shift(); next; next = queue.shift()) {
          const { key, file, page } = next;
          const pages = await deliver(next);
          // Every further page of a file is a sheet of its own.
          if (page === 1 && pages > 1)
            wait(furtherPages(pages).map((own) => ({ key: `${key}-${own}`, file, page: own })));
        }
      };
      void Promise.all(Array.from({ length: AT_ONCE }, work)).then(() =>
        queries.invalidateQueries({ queryKey: ["wall", exercise] }),
      );
    },
    [deliver, exercise, queries],
  );
  const settle = useCallback(
    async (arrived: Arriving, student: number) => {
      await deliver(arrived, student);
      await queries.invalidateQueries({ queryKey: ["wall", exercise] });
    },
    [deliver, exercise, queries],
  );
  return { list, bringIn, settle, clear: () => setList([]) };
}

function outcome(done: Delivery): Partial<Delivered> {
  if (done.candidates.length > 0)
    return { state: "unknown", words: done.why ?? "", candidates: done.candidates };
  const who = done.student?.name ?? "";
  if (done.why)
    return { state: who ? "left" : "failed", words: who ? `${who}: ${done.why}` : done.why };
  const left = done.not_read.length;
  const unread = left > 0 ? `, ${t("{{count}} things not read", { count: left })}` : "";
  return {
    state: "pinned",
    words: `${who}: ${t("pinned up, {{count}} findings", { count: done.findings })}${unread}`,
  };
}
