import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource, EntityManager } from "typeorm";
import { enterStudio } from "../database/scope.js";
import { MailEntity } from "./mail.entity.js";
import { Seal } from "./seal.js";
import type { Line } from "./smtp.js";

const MINUTE = 60_000;
/** How long after each try the next one follows; after the last, somebody has to hand the letter on. */
const WAITS = [1, 5, 30, 120, 720].map((minutes) => minutes * MINUTE);
/** Between the rounds: a letter whose transaction had not ended is found by the next. */
const ROUND_MS = 2000;
const MOST_TROUBLE = 300;
const UNREADABLE = "The letter was written under another secret and cannot be read any more. Write it anew.";

/**
 * Sends the letters that wait, one after the other, and those that wait still when it starts. A letter is sent at
 * least once: one that left just before the server was killed leaves again, under the same message id.
 */
@Injectable()
export class PostOffice implements OnApplicationBootstrap, OnModuleDestroy {
  private timer: NodeJS.Timeout | undefined;
  private round: Promise<void> = Promise.resolve();
  private isClosing = false;

  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly seal: Seal,
    private readonly line: Line | null,
  ) {}

  /** Whether letters leave by themselves. */
  get isOpen(): boolean {
    return this.line !== null;
  }

  onApplicationBootstrap(): void {
    if (this.isOpen) this.expect(0);
  }

  async onModuleDestroy(): Promise<void> {
    this.isClosing = true;
    clearTimeout(this.timer);
    await this.round;
    this.line?.close();
  }

  /** Looks for letters soon. */
  expect(afterMs = 100): void {
    if (!this.isOpen || this.isClosing) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      // A database that does not answer is asked again at the next round.
      this.round = this.sendAll(new Date())
        .catch(() => undefined)
        .finally(() => this.expect(ROUND_MS));
    }, afterMs);
    this.timer.unref();
  }

  /** Sends what is due. */
  async sendAll(now: Date): Promise<void> {
    const studios = await this.database.query<readonly { readonly studio_id: string }[]>(
      "SELECT studio_id FROM mirrup_studios_with_letters($1)",
      [now],
    );
    for (const { studio_id: studioId } of studios) {
      while (!this.isClosing) {
        const letter = await this.take(studioId, now);
        if (letter === null) break;
        await this.sendOne(letter, now);
      }
    }
  }

  private inStudio<T>(studioId: string, work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.database.transaction(async (manager) => {
      await enterStudio(manager, studioId);
      return work(manager);
    });
  }

  /** The oldest letter of a studio that is due; its try is counted before it is made. */
  private take(studioId: string, now: Date): Promise<MailEntity | null> {
    return this.inStudio(studioId, async (manager) => {
      const letter = await manager
        .createQueryBuilder(MailEntity, "letter")
        .where("letter.studioId = :studioId AND letter.nextTryAt <= :now", { studioId, now })
        .orderBy("letter.createdAt")
        .setLock("pessimistic_write")
        .setOnLocked("skip_locked")
        .limit(1)
        .getOne();
      if (letter === null) return null;
      const wait = WAITS[letter.tries];
      const tries = letter.tries + 1;
      const nextTryAt = wait === undefined ? null : new Date(now.getTime() + wait);
      await manager.update(MailEntity, { studioId, id: letter.id }, { tries, nextTryAt });
      return letter;
    });
  }

  private async sendOne({ studioId, id, recipient, subject, body }: MailEntity, now: Date): Promise<void> {
    const text = this.seal.open(body);
    const outcome = await this.outcomeOf(id, { to: recipient, subject, text });
    const after =
      outcome === null
        ? { sentAt: now, nextTryAt: null, body: "", trouble: null }
        : { trouble: outcome.slice(0, MOST_TROUBLE), ...(text === null ? { nextTryAt: null } : {}) };
    await this.inStudio(studioId, (manager) => manager.update(MailEntity, { studioId, id }, after));
  }

  /** Null for a letter that was taken; else what was wrong. */
  private async outcomeOf(
    id: string,
    { to, subject, text }: { readonly to: string; readonly subject: string; readonly text: string | null },
  ): Promise<string | null> {
    if (text === null) return UNREADABLE;
    try {
      await this.line?.send({ id, to, subject, text });
      return null;
    } catch (error) {
      return error instanceof Error ? error.message : "The mail server did not take it.";
    }
  }
}
