import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import { EventEmitter, once } from "node:events";
import pg from "pg";
import type { DataSource } from "typeorm";
import { CHANNEL } from "../door/index.js";

const AGAIN_MS = 1000;
const EVERYBODY = "everybody";
const HEARD = "heard";

/** Hears from PostgreSQL which studio has another change, and wakes whoever waits for that. */
@Injectable()
export class ChangeFeed implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly woken = new EventEmitter().setMaxListeners(0);
  private client: pg.Client | null = null;
  private timer: NodeJS.Timeout | undefined;
  private isClosing = false;

  constructor(@InjectDataSource() private readonly database: DataSource) {}

  onApplicationBootstrap(): void {
    void this.listen();
  }

  async onModuleDestroy(): Promise<void> {
    this.isClosing = true;
    clearTimeout(this.timer);
    // Nobody keeps the server from ending by waiting for what will not come.
    this.woken.emit(EVERYBODY);
    await this.client?.end().catch(() => undefined);
  }

  /** Waits until a studio may have another change; no longer than `signal` lets it. */
  async next(studioId: string, signal: AbortSignal): Promise<void> {
    if (this.isClosing || signal.aborted) return;
    const done = new AbortController();
    const either = AbortSignal.any([signal, done.signal]);
    const options = { signal: either };
    // An end that comes from the signal is an end like any other.
    await Promise.race([once(this.woken, studioId, options), once(this.woken, EVERYBODY, options)]).catch(
      () => undefined,
    );
    done.abort();
  }

  /** Tells of each change of any studio, until it is left. */
  onChange(tell: (studioId: string) => void): () => void {
    this.woken.on(HEARD, tell);
    return () => this.woken.off(HEARD, tell);
  }

  private async listen(): Promise<void> {
    const { options } = this.database;
    if (options.type !== "postgres" || this.isClosing) return;
    const client = new pg.Client({ connectionString: options.url, connectionTimeoutMillis: 3000 });
    // A connection that breaks is made anew, and what was missed meanwhile is read by everybody.
    const again = () => {
      if (this.isClosing || this.client !== client) return;
      this.client = null;
      this.timer = setTimeout(() => void this.listen(), AGAIN_MS).unref();
    };
    this.client = client;
    client.on("error", again);
    client.on("end", again);
    client.on("notification", ({ payload = "" }) => {
      this.woken.emit(payload);
      this.woken.emit(HEARD, payload);
    });
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
      this.woken.emit(EVERYBODY);
    } catch {
      again();
    }
  }
}
