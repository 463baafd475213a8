import type { DynamicModule } from "@nestjs/common";
import { NestFactory } from "@nestjs/core";
import type { NestExpressApplication } from "@nestjs/platform-express";
import compression from "compression";
import express, { type NextFunction, type Request, type Response } from "express";
import helmet from "helmet";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import { v7 as uuid } from "uuid";
import { sameSiteOnly } from "./auth/same-site.js";
import type { Sessions } from "./auth/session.js";
import type { Config } from "./config/config.js";
import { NestLogger } from "./logger.js";
import { PUBLIC_ADDRESS } from "./mail/index.js";
import { bodyParsers } from "./door/index.js";
import { openapiOf } from "./openapi.js";
import { shedLoad } from "./problems/busy.js";

/** How it is must be told however busy it is, and on a stream that is open, or a wait for changes, nobody works. */
const UNCOUNTED: ReadonlySet<string> = new Set(["/health", "/handle/stream", "/changes"]);
const PREFIX = "/api";
/** Of what people send who are not signed in yet. */
const STRANGERS_LIMIT = "16kb";

/** Security headers: nothing is loaded from another host, and no script runs that is not a file of ours. */
function securityHeaders(secure: boolean) {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: true,
      directives: {
        "script-src": ["'self'"],
        "style-src": ["'self'", "'unsafe-inline'"],
        "font-src": ["'self'"],
        "img-src": ["'self'", "data:", "blob:"],
        "worker-src": ["'self'", "blob:"],
        "upgrade-insecure-requests": null,
      },
    },
    strictTransportSecurity: secure,
    // A page opened over plain http on a loopback or hall address gets no isolation anyway.
    crossOriginOpenerPolicy: secure,
    originAgentCluster: secure,
  });
}

const HOME_MANIFEST = /^\/home\/([\w-]{20,100})\/home\.webmanifest$/;

/**
 * What a phone keeps of a home link's page: it begins by the link. A page on a home screen has a storage of its own, and
 * would not know it otherwise.
 */
function homeManifest(webDir: string, path: string): object | null {
  const token = HOME_MANIFEST.exec(path)?.[1];
  if (token === undefined) return null;
  const manifest = JSON.parse(readFileSync(join(webDir, "home.webmanifest"), "utf8")) as object;
  return { ...manifest, start_url: `/home/${token}` };
}

/** Serves the built web application; every address that is no file and not the API's is the page itself. */
function serveWeb(app: NestExpressApplication, webDir: string): void {
  app.use(
    "/assets",
    express.static(join(webDir, "assets"), { immutable: true, maxAge: "365d", fallthrough: false }),
  );
  app.use(express.static(webDir, { index: false, cacheControl: true, maxAge: 0 }));
  app.use((request: Request, response: Response, next: NextFunction) => {
    if (request.method !== "GET" || request.path.startsWith("/api/")) {
      next();
      return;
    }
    const manifest = homeManifest(webDir, request.path);
    if (manifest !== null) {
      response.type("application/manifest+json").send(JSON.stringify(manifest));
      return;
    }
    const page = request.path.startsWith("/home/") ? "home.html" : "index.html";
    response.set("Cache-Control", "no-cache").sendFile(join(webDir, page));
  });
}

/** An address without what may not be read in a log: the token of a shared link, and what was asked for. */
export function loggedUrl(url: string): string {
  const [path = ""] = url.split("?");
  return path.replace(/(\/(?:shared-combos|home)\/).+/, "$1…");
}

export interface AppParts {
  readonly module: DynamicModule;
  readonly logger: Logger;
  readonly sessions: Sessions;
  readonly tls?: Config["tls"];
  /** Where links in letters lead; by the request's own name, if that is of this network, where none is given. */
  readonly publicUrl?: Config["publicUrl"];
  /** The folder of the built web application; none for the API alone. */
  readonly webDir?: string;
}

/** The whole server, ready to listen. */
export async function createApp(parts: AppParts): Promise<NestExpressApplication> {
  const { module, logger, sessions, tls = null, publicUrl = null, webDir } = parts;
  const app = await NestFactory.create<NestExpressApplication>(module, {
    logger: new NestLogger(logger),
    abortOnError: false,
    bodyParser: false,
    ...(tls === null
      ? {}
      : { httpsOptions: { cert: readFileSync(tls.certFile), key: readFileSync(tls.keyFile) } }),
  });
  if (publicUrl !== null) app.set(PUBLIC_ADDRESS, publicUrl);
  // Before anything else is done for it: what is told to come again must cost next to nothing.
  const shed = shedLoad();
  app.use("/api", (request: Request, response: Response, next: NextFunction) => {
    if (UNCOUNTED.has(request.path)) next();
    else shed(request, response, next);
  });
  app.use(
    pinoHttp({
      logger,
      genReqId: () => uuid(),
      customLogLevel: (_request, response, error) =>
        response.statusCode === 503
          ? "warn"
          : error !== undefined || response.statusCode >= 500
            ? "error"
            : "info",
      serializers: {
        // Headers, bodies, queries, the caller's address and the secrets of shared links stay out of the log.
        req: ({ id, method, url }: { id: string; method: string; url: string }) => ({
          ...{ id, method, url: loggedUrl(url) },
        }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      },
    }),
  );
  app.use(securityHeaders(tls !== null));
  app.use(compression());
  app.use("/api/auth", express.json({ limit: STRANGERS_LIMIT }));
  for (const [path, parse] of bodyParsers(app, PREFIX)) app.use(path, parse);
  app.use("/api", (_request: Request, response: Response, next: NextFunction) => {
    response.set("Cache-Control", "no-store");
    next();
  });
  app.use("/api", sameSiteOnly, (request: Request, response: Response, next: NextFunction) => {
    // Whether the database answers must be told also while it does not.
    if (request.path === "/health") next();
    else void sessions.handler(request, response, next);
  });
  app.setGlobalPrefix("api");
  if (webDir !== undefined) serveWeb(app, webDir);
  const document = openapiOf(app);
  app.use("/api/openapi.json", (_request: Request, response: Response) => {
    response.json(document);
  });
  app.enableShutdownHooks();
  return app;
}
