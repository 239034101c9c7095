import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";

import { t } from "../frame/language";
import { complain } from "../frame/tell";
import { answer, api, fileBody } from "../api/client";
import { watchJob } from "./watchJob";

/** A file on its way to the shelf. */
export interface Arrival {
  key: string;
  name: string;
  share: number;
  doing: string;
  state: "sending" | "examining" | "done" | "failed" | "stopped";
  job: number | null;
  part: number | null;
}

/** Whether nothing more will happen to a file. */
export function isOver(arrival: Arrival): boolean {
  return ["done", "failed", "stopped"].includes(arrival.state);
}

/** Files brought in one after another, each with its progress; one that fails does not stop the others. */
export function useBringIn() {
  const queries = useQueryClient();
  const [list, setList] = useState<Arrival[]>([]);

  const bringIn = useCallback(
    (files: File[]) => {
      const note = (key: string, change: Partial<Arrival>) =>
        setList((now) => now.map((a) => (a.key === key ? { ...a, ...change } : a)));
      const one = async (file: File, key: string) => {
        try {
          const part = await answer(api.POST("/api/parts", fileBody(file)));
          const job = part.job ?? 0;
          note(key, { state: "examining", job, part: part.id });
          const end = await watchJob(job, (share, doing) => note(key, { share, doing }));
          if (end.state === "done")
            note(key, { state: "done", share: 1, doing: t("on the shelf") });
          else if (end.state === "cancelled") note(key, { state: "stopped", doing: t("stopped") });
          else note(key, { state: "failed", doing: end.message ?? "" });
        } catch (error) {
          note(key, { state: "failed", doing: (error as Error).message });
        }
        void queries.invalidateQueries({ queryKey: ["parts"] });
      };
      const arriving = files.map((file, k) => ({ file, key: `${Date.now()}-${k}-${file.name}` }));
      setList((now) => [
        ...now,
        ...arriving.map(({ file, key }) => ({
          key,
          name: file.name,
          share: 0,
          doing: t("waiting"),
          state: "sending" as const,
          job: null,
          part: null,
        })),
      ]);
      void (async () => {
        for (const { file, key } of arriving) await one(file, key);
      })();
    },
    [queries],
  );
  const cancel = (job: number) =>
    void api.DELETE("/api/jobs/{job_id}", { params: { path: { job_id: job } } }).catch(complain);
  const clear = () => setList((now) => now.filter((a) => !isOver(a)));
  return { list, bringIn, cancel, clear };
}
