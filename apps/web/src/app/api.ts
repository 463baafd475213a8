import { STUDIO_HEADER, type Problem } from "@mirrup/contract";
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

async function send<T>(path: string, init: RequestInit = {}): Promise<T> {
  let response: Response;
  const signals = [AbortSignal.timeout(LONGEST_MS), ...(init.signal == null ? [] : [init.signal])];
  try {
    const studio = currentStudio();
    const headers = {
      "content-type": "application/json",
      ...(studio === null ? {} : { [STUDIO_HEADER]: studio }),
    };
    response = await fetch(`/api${path}`, { ...init, headers, signal: AbortSignal.any(signals) });
  } catch (error) {
    throw new SilenceError({ cause: error });
  }
  const body: unknown = await response.json().catch(() => null);
  // The contract types what a route answers; the server's tests hold every reply against it.
  if (response.ok && body !== null) return body as T;
  if (response.status >= 502 || !isProblemDocument(body)) throw new SilenceError();
  throw new ProblemError(body);
}

export function get<T>(path: string, signal?: AbortSignal): Promise<T> {
  return send<T>(path, signal === undefined ? {} : { signal });
}

export function post<T>(path: string, body: unknown = {}): Promise<T> {
  return send<T>(path, { method: "POST", body: JSON.stringify(body) });
}

export function patch<T>(path: string, body: unknown): Promise<T> {
  return send<T>(path, { method: "PATCH", body: JSON.stringify(body) });
}

export function put<T>(path: string, body: unknown = {}): Promise<T> {
  return send<T>(path, { method: "PUT", body: JSON.stringify(body) });
}

/** Deletes what is at `path`. */
export function remove<T>(path: string): Promise<T> {
  return send<T>(path, { method: "DELETE" });
}

/** Whether the server said that nobody is signed in here. */
export function isSignedOut(error: unknown): boolean {
  return isProblem(error) && error.problem.type === "not-signed-in";
}

/** Whether a change was made from an older state than the server's. */
export function isStale(error: unknown): boolean {
  return isProblem(error) && error.problem.type === "stale-change";
}
