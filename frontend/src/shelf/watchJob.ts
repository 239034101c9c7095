import { answer, api } from "../api/client";
import type { components } from "../api/schema.generated";

type Job = components["schemas"]["JobAnswer"];

const ENDED = ["done", "failed", "cancelled"];
/** How often is asked where no events come (ms). */
const ASK_EVERY = 1500;

/** Follow a job to its end by server-sent events, or by asking now and then where the connection drops. */
export function watchJob(
  job: number,
  onProgress: (share: number, doing: string) => void,
): Promise<Job> {
  return new Promise((resolve, reject) => {
    const events = new EventSource(`/api/jobs/${job}/events`);
    const told = (form: Job) => {
      onProgress(form.progress, form.message ?? "");
      if (ENDED.includes(form.state)) {
        events.close();
        resolve(form);
      }
      return ENDED.includes(form.state);
    };
    const ask = () => {
      answer(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: job } } })).then((form) => {
        if (!told(form)) setTimeout(ask, ASK_EVERY);
      }, reject);
    };
    events.onmessage = (event: MessageEvent<string>) => {
      told(JSON.parse(event.data) as Job);
    };
    events.onerror = () => {
      events.close();
      ask();
    };
  });
}
