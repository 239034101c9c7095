import { answer, api } from "../api/client";
import type { components } from "../api/schema.generated";

type Job = components["schemas"]["JobForm"];

/** Follow a job to its end by server-sent events; asks once more if the connection drops. */
export function watchJob(
  job: number,
  onProgress: (share: number, doing: string) => void,
): Promise<Job> {
  return new Promise((resolve, reject) => {
    const events = new EventSource(`/api/jobs/${job}/events`);
    events.onmessage = (event: MessageEvent<string>) => {
      const form = JSON.parse(event.data) as Job;
      onProgress(form.progress, form.message);
      if (form.state === "done" || form.state === "failed" || form.state === "cancelled") {
        events.close();
        resolve(form);
      }
    };
    events.onerror = () => {
      events.close();
      answer(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: job } } })).then(
        resolve,
        reject,
      );
    };
  });
}
