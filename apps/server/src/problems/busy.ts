import type { Problem } from "@mirrup/contract";
import type { NextFunction, Request, Response } from "express";
import { v7 as uuid } from "uuid";

/**
 * Requests that are worked on at once. What comes beyond is told at once to come again, since whatever waits behind
 * so many is answered too late for anybody; what is only read gives way first, so that what was counted gets in.
 */
export const MOST = { reads: 48, all: 96 } as const;
const RETRY_SECONDS = 1;

const BUSY: Omit<Problem, "requestId"> = {
  type: "busy",
  title: "Busy",
  status: 503,
  detail: "Too many are asking at once. Nothing was stored; try again in a moment.",
};

/** Answers 503 with Retry-After to whatever is more than the server can work on. */
export function shedLoad() {
  let working = 0;
  return (request: Request, response: Response, next: NextFunction): void => {
    if (working >= (request.method === "GET" ? MOST.reads : MOST.all)) {
      response
        .status(BUSY.status)
        .set("Retry-After", String(RETRY_SECONDS))
        .type("application/problem+json")
        .send(JSON.stringify({ ...BUSY, requestId: uuid() }));
      return;
    }
    working += 1;
    // Told once, whether it was answered or the other side hung up.
    response.once("close", () => (working -= 1));
    next();
  };
}
