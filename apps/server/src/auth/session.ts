import type { Request } from "express";
import session, { type SessionOptions } from "express-session";
import type { RequestHandler } from "express";
import pgSimple from "connect-pg-simple";
import pg from "pg";

declare module "express-session" {
  interface SessionData {
    personId: string;
  }
}

const COOKIE = "mirrup";
const DAYS_14 = 14 * 86_400_000;

/** A session that is used lives on; that it was used is written down once an hour, not at every request. */
const HOUR = 3_600_000;
const MOST_REMEMBERED = 10_000;

/**
 * Where the browser's cookie is given anew, so that it lasts as long as the session does: each page asks there as it
 * opens. Not everywhere: an answer that comes late, as every wait does, would put the cookie of an older session in the
 * place of one that was begun meanwhile in another tab.
 */
const RENEWED_AT = "/auth/session";

type Store = InstanceType<ReturnType<typeof pgSimple>>;

function touchHourly(store: Store): void {
  const touchedAt = new Map<string, number>();
  const touch = store.touch.bind(store);
  store.touch = (id, data, done) => {
    const now = Date.now();
    if (now - (touchedAt.get(id) ?? 0) < HOUR) {
      done?.();
      return;
    }
    if (touchedAt.size >= MOST_REMEMBERED) touchedAt.clear();
    touchedAt.set(id, now);
    touch(id, data, done);
  };
}

export interface Sessions {
  readonly handler: RequestHandler;
  readonly close: () => Promise<void>;
}

/** Sessions in PostgreSQL behind a cookie that scripts cannot read and other sites do not send along. */
export function createSessions(databaseUrl: string, secret: string, secure: boolean): Sessions {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 2, connectionTimeoutMillis: 3000 });
  // An idle connection that breaks is replaced at the next use.
  pool.on("error", () => undefined);
  const Store = pgSimple(session);
  const store = new Store({
    pool,
    tableName: "auth_session",
    pruneSessionInterval: 3600,
    errorLog: () => undefined,
  });
  touchHourly(store);
  const options: SessionOptions = {
    name: COOKIE,
    secret,
    store,
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: "lax", secure, maxAge: DAYS_14, path: "/" },
  };
  const plain = session(options);
  const renewing = session({ ...options, rolling: true });
  const handler: RequestHandler = (request, response, next) =>
    (request.path === RENEWED_AT ? renewing : plain)(request, response, next);
  return {
    handler,
    close: async () => {
      store.close();
      await pool.end();
    },
  };
}

/** Signs the person in under a new session id, so that an old one is worth nothing. */
export function beginSession(request: Request, personId: string): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.regenerate((error: unknown) => {
      if (error !== null && error !== undefined) {
        reject(error instanceof Error ? error : new Error("The session could not be begun."));
        return;
      }
      request.session.personId = personId;
      resolve();
    });
  });
}

export function endSession(request: Request): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.destroy((error: unknown) => {
      if (error === null || error === undefined) resolve();
      else reject(error instanceof Error ? error : new Error("The session could not be ended."));
    });
  });
}
