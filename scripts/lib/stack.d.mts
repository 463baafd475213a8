import type { ChildProcess } from "node:child_process";

export interface ThrowawayPostgres {
  readonly url: string;
  readonly adminUrl: string;
  /** The folder of PostgreSQL's programs. */
  readonly bin: string;
  stop(): Promise<void>;
  restart(): Promise<void>;
}

export interface ThrowawayStack {
  readonly address: string;
  readonly postgres: ThrowawayPostgres;
  server(): { readonly child: ChildProcess };
  stopServer(): Promise<void>;
  startServer(): Promise<void>;
  /** Has everything be as it was at first. */
  renew(): Promise<void>;
}

export function throwawayPostgres(): Promise<ThrowawayPostgres>;
export function throwawayStack(options?: { readonly demo?: boolean }): Promise<ThrowawayStack>;
