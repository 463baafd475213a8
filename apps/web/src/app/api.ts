import { DEVICE_HEADER, STUDIO_HEADER, type Problem } from "@mirrup/contract";
import { PAGE_ID } from "./page-id.js";
import { noteAnswer } from "./server-clock.js";
import { currentStudio } from "./studio.js";

/** The server's refusal, as its problem document. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** Nobody answered: no network, no server, or no database behind it. */
export class SilenceError extends Error {
  constructor(options?: ErrorOptions) {
    super("Mirrup's server does not answer just now.", options);
  }
}

export function isProblem(error: unknown): error is ProblemError {
  return error instanceof ProblemError;
}

function isProblemDocument(value: unknown): value is Problem {
  return (
    typeof value === "object" && value !== null && "type" in value && "detail" in value && "status" in value
  );
}

/** Longer than anything takes; a network that takes and never answers is silence too. */
const LONGEST_MS = 30_000;

/** How something is asked or told, where it is not as usual. */
export interface Manner {
  readonly signal?: AbortSignal | undefined;
  /** How long an answer is waited for, milliseconds. */
  readonly longestMs?: number;
  /** In which studio; in the one that is open, where nothing is said. */
  readonly studio?: string;
}

/** What the server refuses, or that nobody answered, as it came. */
async function refusalOf(response: Response): Promise<Error> {
  const body: unknown = await response.json().catch(() => null);
  return response.status >= 502 || !isProblemDocument(body) ? new SilenceError() : new ProblemError(body);
}

/** Sends or reads a file, which takes as long as it takes. */
async function ofFile(path: string, init: RequestInit, signal?: AbortSignal): Promise<Response> {
  const studio = currentStudio();
  const headers = {
    "content-type": "application/gzip",
    [DEVICE_HEADER]: PAGE_ID,
    ...(studio === null ? {} : { [STUDIO_HEADER]: studio }),
  };
  const asked = fetch(`/api${path}`, { ...init, headers, ...(signal === undefined ? {} : { signal }) });
  const response = await asked.catch((error: unknown) => {
    throw new SilenceError({ cause: error });
  });
  if (!response.ok) throw await refusalOf(response);
  return response;
}

/** Reads what the server hands out as a file. */
export async function getFile(path: string, signal?: AbortSignal): Promise<Blob> {
  return (await ofFile(path, {}, signal)).blob();
}

export async function sendFile<T>(path: string, file: Blob, signal?: AbortSignal): Promise<T> {
  return (await (await ofFile(path, { method: "POST", body: file }, signal)).json()) as T;
}

async function send<T>(path: string, init: RequestInit, manner: Manner = {}): Promise<T> {
  let response: Response;
  const { signal, longestMs = LONGEST_MS, studio = currentStudio() } = manner;
  const signals = [AbortSignal.timeout(longestMs), ...(signal === undefined ? [] : [signal])];
  const askedAt = Date.now();
  try {
    const headers = {
      "content-type": "application/json",
      [DEVICE_HEADER]: PAGE_ID,
      ...(studio === null ? {} : { [STUDIO_HEADER]: studio }),
    };
    response = await fetch(`/api${path}`, { ...init, headers, signal: AbortSignal.any(signals) });
  } catch (error) {
    throw new SilenceError({ cause: error });
  }
  noteAnswer({ askedAt, answeredAt: Date.now(), date: response.headers.get("date") });
  if (!response.ok) throw await refusalOf(response);
  const body: unknown = await response.json().catch(() => null);
  if (body === null) throw new SilenceError();
  // The contract types what a route answers; the server's tests hold every reply against it.
  return body as T;
}

export function get<T>(path: string, signal?: AbortSignal): Promise<T> {
  return send<T>(path, {}, { signal });
}

export function post<T>(path: string, body: unknown = {}, manner?: Manner): Promise<T> {
  return send<T>(path, { method: "POST", body: JSON.stringify(body) }, manner);
}

export function patch<T>(path: string, body: unknown, manner?: Manner): Promise<T> {
  return send<T>(path, { method: "PATCH", body: JSON.stringify(body) }, manner);
}

export function put<T>(path: string, body: unknown = {}, manner?: Manner): Promise<T> {
  return send<T>(path, { method: "PUT", body: JSON.stringify(body) }, manner);
}

/** Deletes what is at `path`; with a body where the server asks to be told twice. */
export function remove<T>(path: string, body?: unknown, manner?: Manner): Promise<T> {
  const init = { method: "DELETE", ...(body === undefined ? {} : { body: JSON.stringify(body) }) };
  return send<T>(path, init, manner);
}

/** Whether the server said that nobody is signed in here. */
export function isSignedOut(error: unknown): boolean {
  return isProblem(error) && error.problem.type === "not-signed-in";
}

/** Whether a change was made from an older state than the server's. */
export function isStale(error: unknown): boolean {
  return isProblem(error) && error.problem.type === "stale-change";
}
