import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";

import { t } from "../frame/language";
import { answer, api, fileBody } from "../api/client";
import type { Delivery } from "../api/types";

/** A file of a class on its way to the wall. */
export interface Delivered {
  key: string;
  file: File;
  state: "waiting" | "reading" | "pinned" | "left" | "unknown" | "failed";
  words: string;
  candidates: Delivery["candidates"];
}

const AT_ONCE = 2;

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
    async (key: string, file: File, student?: number) => {
      note(key, { state: "reading", words: "reading", candidates: [] });
      try {
        const done = await answer(
          api.POST("/api/exercises/{exercise_id}/deliveries", {
            params: { path: { exercise_id: exercise } },
            ...fileBody(file, student === undefined ? {} : { student: String(student) }),
          }),
        );
        note(key, outcome(done));
      } catch (error) {
        note(key, { state: "failed", words: (error as Error).message });
      }
    },
    [exercise, note],
  );
  const bringIn = useCallback(
    (files: File[]) => {
      const arriving = files.map((file, k) => ({ key: `${Date.now()}-${k}-${file.name}`, file }));
      setList((now) => [
        ...now,
        ...arriving.map((a): Delivered => ({
          ...a,
          state: "waiting",
          words: "waiting",
          candidates: [],
        })),
      ]);
      const queue = [...arriving];
      const work = async () => {
        for (let next = queue.shift(); next; next = queue.shift())
          await deliver(next.key, next.file);
      };
      void Promise.all(Array.from({ length: AT_ONCE }, work)).then(() =>
        queries.invalidateQueries({ queryKey: ["wall", exercise] }),
      );
    },
    [deliver, exercise, queries],
  );
  const settle = useCallback(
    async (key: string, file: File, student: number) => {
      await deliver(key, file, student);
      await queries.invalidateQueries({ queryKey: ["wall", exercise] });
    },
    [deliver, exercise, queries],
  );
  return { list, bringIn, settle, clear: () => setList([]) };
}

function outcome(done: Delivery): Partial<Delivered> {
  if (done.candidates.length > 0)
    return { state: "unknown", words: done.why, candidates: done.candidates };
  const who = done.student?.name ?? "";
  if (done.why) return { state: "left", words: `${who}: ${done.why}` };
  const left = done.not_read.length;
  const unread = left > 0 ? `, ${t("{{count}} things not read", { count: left })}` : "";
  return {
    state: "pinned",
    words: `${who}: ${t("pinned up, {{count}} findings", { count: done.findings })}${unread}`,
  };
}
