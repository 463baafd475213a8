import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { setImmediate } from "node:timers/promises";
import { ChangeFeed } from "../changes/index.js";
import { Scopes, type Scope } from "../database/scope.js";
import { StandingsService } from "../standings/index.js";
import { StudentEntity } from "../students/student.entity.js";
import { behindIn } from "./behind.js";

/** What a lesson sends at once is heard as one. */
const AFTER_MS = 300;
/** Whoever could not be followed, as one whom somebody else held for too long, is tried again so much later. */
const AGAIN_MS = 5000;

/** By what a studio's facts are made, as far as the studio has a say in it. */
function taughtIn({ studio: { overlayId, school, timeZone, settings, model } }: Scope): string {
  return JSON.stringify([overlayId, school, timeZone, settings, model]);
}

/**
 * Follows a change of what a studio teaches: everybody's facts are made anew, each in a transaction of their own, so
 * that nobody waits for more than one. Whoever is asked about sooner has theirs made at once. What a server that ends
 * leaves undone is done at the next start, or on reading.
 */
@Injectable()
export class CatchingUp implements OnApplicationBootstrap, OnModuleDestroy {
  /** By what each studio's facts were all made when it was last looked. */
  private readonly followed = new Map<string, string>();
  private readonly waiting = new Map<string, NodeJS.Timeout>();
  private round: Promise<void> = Promise.resolve();
  private isClosing = false;
  private leave: () => void = () => undefined;

  constructor(
    private readonly feed: ChangeFeed,
    private readonly scopes: Scopes,
    private readonly standings: StandingsService,
  ) {}

  onApplicationBootstrap(): void {
    this.leave = this.feed.onChange((studioId) => this.expect(studioId));
  }

  async onModuleDestroy(): Promise<void> {
    this.isClosing = true;
    this.leave();
    for (const timer of this.waiting.values()) clearTimeout(timer);
    await this.round;
  }

  private expect(studioId: string, afterMs = AFTER_MS): void {
    if (this.isClosing || this.waiting.has(studioId)) return;
    const look = () => {
      this.waiting.delete(studioId);
      // Of a studio that is gone, or a database that does not answer, nothing is followed: the next change asks again.
      this.round = this.round.then(() => this.follow(studioId)).catch(() => undefined);
    };
    this.waiting.set(studioId, setTimeout(look, afterMs).unref());
  }

  /** Makes the facts of a studio anew that other rules made, where what it teaches is another since it was looked. */
  private async follow(studioId: string): Promise<void> {
    const { taught, ids } = await this.scopes.run({ studioId, mode: "read" }, async (scope) => {
      const now = taughtIn(scope);
      return { taught: now, ids: this.followed.get(studioId) === now ? [] : (await behindIn(scope)).ids };
    });
    const left: string[] = [];
    for (const id of ids) {
      if (this.isClosing) return;
      await this.followOne(studioId, id).catch(() => left.push(id));
      await setImmediate();
    }
    if (left.length === 0) this.followed.set(studioId, taught);
    else this.expect(studioId, AGAIN_MS);
  }

  private followOne(studioId: string, id: string): Promise<void> {
    return this.scopes.run({ studioId }, async (scope) => {
      const student = await scope.manager.findOneBy(StudentEntity, { studioId, id });
      if (student !== null) await this.standings.factsOf(scope, [student]);
    });
  }
}
