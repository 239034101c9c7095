import { type QueryKey, useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";

import { t } from "../frame/language";
import type { Delivery, SetDelivery } from "../api/types";

/** What is said of a page by whoever brings it in: whose it is, and which sheet of a set. */
export interface Said {
  student?: number;
  exercise?: number;
}

/** A page of a file of a class on its way to the wall. */
export interface Delivered {
  key: string;
  file: File;
  /** The page of the file, from 1. */
  page: number;
  state: "waiting" | "reading" | "pinned" | "left" | "unknown" | "unplaced" | "failed";
  words: string;
  candidates: Delivery["candidates"];
  said: Said;
}

type Arriving = Pick<Delivered, "key" | "file" | "page" | "said">;
/** Has one page of a file read, checked and pinned up. */
export type Pin = (file: File, page: number, said: Said) => Promise<Delivery | SetDelivery>;

const AT_ONCE = 2;

/** The pages of a file beside the first. */
function furtherPages(pages: number): number[] {
  return Array.from({ length: pages - 1 }, (_, k) => k + 2);
}

/** Where pages come in the list: after the one of their file, else at its end. */
function placeAfter(list: readonly Delivered[], key?: string): number {
  const at = list.findIndex((own) => own.key === key);
  return at < 0 ? list.length : at + 1;
}

/** Files of a class read, checked and pinned up, two at a time; one that fails does not stop the others. */
export function useDeliveries(wall: QueryKey, pin: Pin) {
  const queries = useQueryClient();
  const [list, setList] = useState<Delivered[]>([]);

  const note = useCallback(
    (key: string, change: Partial<Delivered>) =>
      setList((now) => now.map((d) => (d.key === key ? { ...d, ...change } : d))),
    [],
  );
  const deliver = useCallback(
    async ({ key, file, page, said }: Arriving) => {
      note(key, { state: "reading", words: t("is being read …"), candidates: [], said });
      try {
        const done = await pin(file, page, said);
        note(key, outcome(done, said));
        return done.pages;
      } catch (error) {
        note(key, { state: "failed", words: (error as Error).message });
        return 1;
      }
    },
    [note, pin],
  );
  const bringIn = useCallback(
    (files: File[]) => {
      const queue: Arriving[] = [];
      const wait = (arriving: Arriving[], after?: string) => {
        queue.push(...arriving);
        const waiting = arriving.map(
          (a): Delivered => ({
            ...a,
            state: "waiting",
            words: t("waits"),
            candidates: [],
          }),
        );
        setList((now) => now.toSpliced(placeAfter(now, after), 0, ...waiting));
      };
      const begun = Date.now();
      wait(
        files.map((file, k) => ({ key: `${begun}-${k}-${file.name}`, file, page: 1, said: {} })),
      );
      const work = async () => {
        for (let next = queue.shift(); next; next = queue.shift()) {
          const { key, file, page } = next;
          const pages = await deliver(next);
          // Every further page of a file is a sheet of its own.
          if (page === 1 && pages > 1)
            wait(
              furtherPages(pages).map((own) => ({
                key: `${key}-${own}`,
                file,
                page: own,
                said: {},
              })),
              key,
            );
        }
      };
      void Promise.all(Array.from({ length: AT_ONCE }, work)).then(() =>
        queries.invalidateQueries({ queryKey: wall }),
      );
    },
    [deliver, queries, wall],
  );
  /** Bring pages in once more with what is said of them. */
  const settle = useCallback(
    async (arrived: readonly Delivered[], said: Said) => {
      for (const own of arrived) await deliver({ ...own, said: { ...own.said, ...said } });
      await queries.invalidateQueries({ queryKey: wall });
    },
    [deliver, queries, wall],
  );
  return { list, bringIn, settle, clear: () => setList([]) };
}

/** What became of a page, in words; of a set the sheet it is stands before them. */
export function outcome(done: Delivery | SetDelivery, said: Said): Partial<Delivered> {
  const ofSet = "exercise" in done ? done : null;
  const known = { ...said, ...(ofSet?.exercise ? { exercise: ofSet.exercise } : {}) };
  const sheet = ofSet?.title ? `${ofSet.title} · ` : "";
  if (ofSet?.unplaced) return { state: "unplaced", words: done.why ?? "", said: known };
  if (done.candidates.length > 0)
    return {
      state: "unknown",
      words: sheet + (done.why ?? ""),
      candidates: done.candidates,
      said: known,
    };
  const who = done.student?.name ?? "";
  if (done.why)
    return {
      state: who ? "left" : "failed",
      words: sheet + (who ? `${who}: ${done.why}` : done.why),
    };
  const asked = done.questions;
  const open = asked > 0 ? `, ${t("{{count}} open questions", { count: asked })}` : "";
  return {
    state: "pinned",
    words: `${sheet}${who}: ${t("pinned up, {{count}} findings", { count: done.findings })}${open}`,
  };
}

/** The pages of one file of which nobody knows whose they are. */
export function unknownOf(list: readonly Delivered[], file: File): Delivered[] {
  return list.filter((own) => own.file === file && own.state === "unknown");
}
