import type { Problem } from "@mirrup/contract";
import { Catch, HttpException, type ArgumentsHost, type ExceptionFilter } from "@nestjs/common";
import type { Request, Response } from "express";
import { ProblemException, TooManyRequestsProblem, TooManyTriesProblem } from "./problem.js";

type Document = Omit<Problem, "requestId">;

const HTTP_PROBLEMS: Readonly<Record<number, Omit<Document, "status">>> = {
  400: {
    type: "invalid-request",
    title: "Invalid request",
    detail: "The request could not be read. Send JSON that fits the description at /api/openapi.json.",
  },
  404: { type: "not-found", title: "Not found", detail: "There is nothing at this address." },
  413: {
    type: "too-large",
    title: "Too large",
    detail: "The request is larger than is accepted. Send it in smaller parts.",
  },
};

const UNAVAILABLE: Document = {
  type: "database-unavailable",
  title: "Database unavailable",
  status: 503,
  detail: "The database does not answer just now. Nothing was stored; try again in a moment.",
};

const BUG: Document = {
  type: "bug",
  title: "A fault in Mirrup",
  status: 500,
  detail: "This is a fault in Mirrup itself. Nothing was stored; quote the request's id when you report it.",
};

const UNSTORABLE: Document = {
  type: "invalid-request",
  title: "Invalid request",
  status: 400,
  detail:
    "Something in the request cannot be stored as it is. Nothing was stored; correct it and send it again.",
};

const CONFLICT: Document = {
  type: "conflict",
  title: "Conflict",
  status: 409,
  detail: "Someone else changed the same thing at the same time. Nothing was stored; send it again.",
};

/**
 * Connection faults of the driver, and what PostgreSQL says while it is going down, starting up, full, out of
 * connections, only to be read, or kept waiting for too long.
 */
function isUnavailable(code: string, message: string): boolean {
  return (
    /^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|08|57|53|55P03|25006|25P03)/.test(code) ||
    /Connection terminated|timeout exceeded when trying to connect|not currently accepting connections/.test(
      message,
    )
  );
}

function textAt(value: unknown, key: string): string {
  const found: unknown = typeof value === "object" && value !== null ? Reflect.get(value, key) : "";
  return typeof found === "string" ? found : "";
}

function titleOf(code: string): string {
  const words = code.replaceAll("-", " ");
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function documentOf(error: unknown): Document {
  if (error instanceof ProblemException) {
    const { code, status, message, errors, current } = error;
    return {
      type: code,
      title: titleOf(code),
      status,
      detail: message,
      ...(errors.length === 0 ? {} : { errors }),
      ...(current === undefined ? {} : { current }),
    };
  }
  const status: unknown =
    error instanceof HttpException ? error.getStatus() : Reflect.get(Object(error), "status");
  if (typeof status === "number" && status >= 400 && status < 500) {
    const known = HTTP_PROBLEMS[status] ?? {
      type: "refused",
      title: "Refused",
      detail: "The request was refused.",
    };
    return { ...known, status };
  }
  const code = textAt(error, "code");
  if (isUnavailable(code, textAt(error, "message"))) return UNAVAILABLE;
  if (code.startsWith("22")) return UNSTORABLE;
  return code === "23505" || code === "40P01" || code === "40001" ? CONFLICT : BUG;
}

/**
 * What a log may say of a fault. A failed query's message and values are people's; its text, its code and where it
 * was made are not.
 */
export function faultOf(error: unknown): Readonly<Record<string, string>> {
  const stack = textAt(error, "stack");
  const query = textAt(error, "query");
  const where = stack.split("\n").filter((line) => /^\s+at /.test(line));
  const driver: unknown = Reflect.get(Object(error), "driverError");
  const said = query === "" ? textAt(error, "message") : "";
  return Object.fromEntries(
    Object.entries({
      ...{
        type: textAt(error, "name"),
        message: said,
        code: textAt(error, "code") || textAt(driver, "code"),
      },
      ...{ query, table: textAt(driver, "table"), constraint: textAt(driver, "constraint") },
      stack: where.join("\n"),
    }).filter(([, text]) => text !== ""),
  );
}

/** Turns whatever was thrown into an RFC 9457 problem document; faults of our own are logged with the request's id. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const request = http.getRequest<Request>();
    const response = http.getResponse<Response>();
    const document = documentOf(error);
    if (document.status === 500) request.log.error({ fault: faultOf(error) }, document.type);
    if (response.headersSent) return;
    if (error instanceof TooManyTriesProblem || error instanceof TooManyRequestsProblem)
      response.set("Retry-After", String(Math.ceil(error.retrySeconds)));
    response
      .status(document.status)
      .type("application/problem+json")
      .send(JSON.stringify({ ...document, requestId: request.id }));
  }
}
