import createClient, { type Middleware } from "openapi-fetch";

import { language, t } from "../frame/language";
import type { paths } from "./schema.generated";

/** An answer other than success: one sentence for people, and the status for the program. */
export class ServiceError extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly detail: Record<string, unknown> = {},
  ) {
    super(message);
  }
}

let requestToken = "";
const expired = new Set<() => void>();

/** The token of the running log-in; every change must carry it. */
export function setRequestToken(token: string): void {
  requestToken = token;
}

/** Be told when the service no longer knows this browser. Returns how to stop listening. */
export function onExpired(listener: () => void): () => void {
  expired.add(listener);
  return () => expired.delete(listener);
}

async function refusal(response: Response, request: Request): Promise<ServiceError> {
  const body = (await response
    .clone()
    .json()
    .catch(() => ({}))) as { message?: string; detail?: Record<string, unknown> };
  if (response.status === 401 && !request.url.endsWith("/api/log-in")) {
    expired.forEach((listener) => listener());
  }
  const fallback = t("The service answered {{status}}. Try again in a moment.", {
    status: response.status,
  });
  return new ServiceError(body.message ?? fallback, response.status, body.detail);
}

function noConnection(): ServiceError {
  return new ServiceError(
    t("There is no connection to the service. What you have here is kept."),
    0,
  );
}

const guard: Middleware = {
  onRequest({ request }) {
    request.headers.set("x-maqueta-token", requestToken);
    request.headers.set("accept-language", language());
    return request;
  },
  async onResponse({ response, request }) {
    if (response.ok) return response;
    throw await refusal(response, request);
  },
  onError: noConnection,
};

export const api = createClient<paths>({ baseUrl: "/" });
api.use(guard);

/** A change told by its address, for what is kept until it has arrived. */
export async function call(method: string, path: string, body?: unknown): Promise<unknown> {
  const request = new Request(new URL(path, window.location.origin), {
    method,
    headers: { "content-type": "application/json", "x-maqueta-token": requestToken },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  request.headers.set("accept-language", language());
  const response = await fetch(request).catch(() => {
    throw noConnection();
  });
  if (!response.ok) throw await refusal(response, request);
  return response.json();
}

/** The data of an answer; errors were thrown by the guard before. */
export async function answer<T>(call: Promise<{ data?: T }>): Promise<T> {
  const { data } = await call;
  if (data === undefined) throw new ServiceError(t("The service sent an empty answer."), 0);
  return data;
}

/** A file, with a few fields beside it, as the body of a request. */
export function fileBody(file: File, fields: Record<string, string | number | undefined> = {}) {
  const form = new FormData();
  form.append("file", file);
  for (const [name, value] of Object.entries(fields))
    if (value !== undefined) form.append(name, String(value));
  return { body: form as never, bodySerializer: (sent: unknown) => sent as FormData };
}
