import Joi from "joi";
import { randomBytes } from "node:crypto";
import type { Smtp } from "../mail/index.js";

/** What the server reads from its environment, checked once at the start. */
export interface Config {
  readonly host: string;
  readonly port: number;
  readonly databaseUrl: string;
  /** The owner's connection, for migrations; the app's own where none is given. */
  readonly databaseAdminUrl: string;
  readonly tls: { readonly certFile: string; readonly keyFile: string } | null;
  /** Where people have Mirrup open, for links in letters; null where it is not said. */
  readonly publicUrl: string | null;
  /** How letters leave; null where they lie in the outbox. */
  readonly smtp: Smtp | null;
  readonly logLevel: string;
  /** Which Mirrup this is. */
  readonly version: string;
  /** What session cookies are signed with; one of its own for each run where none is given. */
  readonly sessionSecret: string;
}

interface Environment {
  readonly MIRRUP_HOST: string;
  readonly MIRRUP_PORT: number;
  readonly DATABASE_URL: string;
  readonly DATABASE_ADMIN_URL?: string;
  readonly MIRRUP_TLS_CERT?: string;
  readonly MIRRUP_TLS_KEY?: string;
  readonly MIRRUP_PUBLIC_URL?: string;
  readonly MIRRUP_SMTP_URL?: string;
  readonly MIRRUP_MAIL_FROM?: string;
  readonly MIRRUP_LOG_LEVEL: string;
  readonly MIRRUP_VERSION: string;
  readonly MIRRUP_SESSION_SECRET?: string;
}

const postgresUrl = () => Joi.string().uri({ scheme: ["postgres", "postgresql"] });

const environment = Joi.object<Environment>({
  MIRRUP_HOST: Joi.string().hostname().default("127.0.0.1"),
  MIRRUP_PORT: Joi.number().port().default(4310),
  DATABASE_URL: postgresUrl().required(),
  DATABASE_ADMIN_URL: postgresUrl(),
  MIRRUP_TLS_CERT: Joi.string(),
  MIRRUP_TLS_KEY: Joi.string(),
  MIRRUP_PUBLIC_URL: Joi.string().uri({ scheme: ["http", "https"] }),
  MIRRUP_SMTP_URL: Joi.string().uri({ scheme: ["smtp", "smtps"] }),
  MIRRUP_MAIL_FROM: Joi.string().pattern(/@/).max(254),
  MIRRUP_LOG_LEVEL: Joi.string()
    .valid("trace", "debug", "info", "warn", "error", "fatal", "silent")
    .default("info"),
  MIRRUP_VERSION: Joi.string().default("unknown"),
  MIRRUP_SESSION_SECRET: Joi.string().min(16),
})
  .and("MIRRUP_TLS_CERT", "MIRRUP_TLS_KEY")
  .and("MIRRUP_SMTP_URL", "MIRRUP_MAIL_FROM")
  .unknown();

/** Reads the configuration. Throws an `Error` that names each variable that does not fit. */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config {
  const result = environment.validate(env, { abortEarly: false });
  if (result.error !== undefined) {
    throw new Error(`The environment does not fit: ${result.error.message}.`);
  }
  const { value } = result;
  const { MIRRUP_TLS_CERT: certFile, MIRRUP_TLS_KEY: keyFile } = value;
  const { MIRRUP_SMTP_URL: smtpUrl, MIRRUP_MAIL_FROM: from } = value;
  return {
    host: value.MIRRUP_HOST,
    port: value.MIRRUP_PORT,
    databaseUrl: value.DATABASE_URL,
    databaseAdminUrl: value.DATABASE_ADMIN_URL ?? value.DATABASE_URL,
    tls: certFile === undefined || keyFile === undefined ? null : { certFile, keyFile },
    publicUrl: value.MIRRUP_PUBLIC_URL === undefined ? null : new URL(value.MIRRUP_PUBLIC_URL).origin,
    smtp: smtpUrl === undefined || from === undefined ? null : { url: smtpUrl, from },
    logLevel: value.MIRRUP_LOG_LEVEL,
    version: value.MIRRUP_VERSION,
    sessionSecret: value.MIRRUP_SESSION_SECRET ?? randomBytes(32).toString("hex"),
  };
}
