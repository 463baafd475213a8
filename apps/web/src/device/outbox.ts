/**
 * Tells the server what was said on this device. A command is on the device before it is told, and leaves it only when
 * the server has it; the server takes each once, so that telling it twice does no harm. What nobody answers is told
 * again, what a person has to look at is set aside, and neither holds up the rest.
 */
import type { SetsReply } from "@mirrup/contract";
import { isProblem, isSignedOut } from "../app/api.js";
import { aboutOf, isUnderstood, type Command } from "./command.js";
import { refusedHow } from "./passing.js";
import { nextOf, refusedOf, replacedBy, type Waiting } from "./queue.js";
import { isOf, type Sender } from "./sender.js";
import type { CommandStore } from "./store.js";

export interface OutboxState {
  readonly waiting: readonly Waiting[];
  readonly refused: readonly Waiting[];
  /** What was told a moment ago, and is not on the page yet as the server has it. */
  readonly told: readonly Command[];
  /** Whether the last try to send met silence. */
  readonly silent: boolean;
  /** Whether the last try found nobody signed in: what waits is sent after the next sign-in. */
  readonly signedOut: boolean;
  /** The reply that told of each set stored since the app was opened, by the set's id. */
  readonly replies: ReadonlyMap<string, SetsReply>;
  /** How far this device's clock was ahead when sets were last sent, behind where less than 0; 0 for near enough. */
  readonly clockAheadSeconds: number;
}

/** What tabs of one device tell one another: that something waits or does not any more, and what the server answered. */
export interface TabNote {
  readonly told: readonly string[];
  readonly reply: SetsReply | null;
}

/** Whether another tab said this; one of another version may say something else. */
export function isTabNote(value: unknown): value is TabNote {
  return (
    typeof value === "object" &&
    value !== null &&
    "reply" in value &&
    "told" in value &&
    Array.isArray(value.told)
  );
}

/** What the first try to tell a command came to. */
export type Became =
  | { readonly kind: "told" }
  /** It waits on this device. */
  | { readonly kind: "kept" }
  | { readonly kind: "refused"; readonly refused: Waiting };

export interface OutboxParts {
  readonly store: CommandStore;
  /** Tells the server; answers what sets changed. Throws what the server refuses, or that nobody answers in time. */
  readonly tell: (batch: readonly Command[], longestMs: number) => Promise<SetsReply | null>;
  readonly sender: () => Sender | null;
  /** Nobody is signed in any more. */
  readonly onSignedOut: () => void;
  /** Does the work while no other tab of this device does. */
  readonly alone: (work: () => Promise<void>) => Promise<void>;
  readonly toOtherTabs: (note: TabNote) => void;
  /** Calls back after a while, unless it is ended by what it answers. */
  readonly after: (milliseconds: number, work: () => void) => () => void;
}

export const MOST_AT_ONCE = 100;
const RETRY_SECONDS = [2, 4, 8, 15, 30] as const;
const FIRST_PATIENCE_MS = 8000;
const LONGEST_PATIENCE_MS = 30_000;
/** What was read is on the page a moment after it is known: longer than that, and too short to be seen. */
const SHOWN_MS = 100;
/** What another tab has told is on this page once it hears of the change. */
const HEARD_MS = 2000;

const EMPTY: OutboxState = {
  ...{ waiting: [], refused: [], told: [], silent: false, signedOut: false },
  ...{ replies: new Map(), clockAheadSeconds: 0 },
};

export class Outbox {
  private state = EMPTY;
  /** Everybody's, in the order in which it was said. */
  private queue: readonly Waiting[] = [];
  /** What the device refused to keep, and is told from this page alone. */
  private unkept: readonly Waiting[] = [];
  /** How often the queue was changed here: what was read of the device before that is old. */
  private edition = 0;
  private failures = 0;
  private most = MOST_AT_ONCE;
  private sending: Promise<void> = Promise.resolve();
  private endRetry: () => void = () => undefined;
  private readonly listeners = new Set<() => void>();
  private readonly watched = new Map<string, (became: Became) => void>();

  constructor(private readonly parts: OutboxParts) {}

  readonly current = (): OutboxState => this.state;

  readonly onChange = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private show(changes: Partial<OutboxState> = {}): void {
    const sender = this.parts.sender();
    const own = this.queue.filter(({ command }) => isOf(sender, command.sender));
    const waiting = own.filter((one) => one.refusal === null);
    const refused = own.filter((one) => one.refusal !== null);
    const next = { ...this.state, ...changes, waiting, refused };
    // Why nothing is sent is of no matter where nothing waits.
    const isWaiting = waiting.length > 0;
    this.state = {
      ...next,
      silent: isWaiting && next.silent,
      signedOut: isWaiting && next.signedOut,
    };
    this.listeners.forEach((listener) => listener());
  }

  private have(queue: readonly Waiting[], changes?: Partial<OutboxState>): void {
    this.edition += 1;
    this.queue = queue;
    this.show(changes);
  }

  /** Reads what is on the device, until nothing was said while it was read. */
  async read(): Promise<void> {
    for (let seen = -1; seen !== this.edition;) {
      seen = this.edition;
      // A device that cannot be read for a moment has not lost what was read of it before.
      const kept = await this.parts.store.all().catch(() => null);
      if (seen !== this.edition || kept === null) continue;
      this.queue = [...kept.filter(({ command }) => isUnderstood(command)), ...this.unkept];
    }
    this.show();
  }

  /** Takes commands onto the device, in place of those that they say better, and sends; answers whether they are kept. */
  async say(commands: readonly Command[]): Promise<boolean> {
    const replaced = replacedBy(this.queue, commands).map((one) => one.command.id);
    const fresh = commands.map((command): Waiting => ({ command, refusal: null }));
    const rest = (queue: readonly Waiting[]) => queue.filter((one) => !replaced.includes(one.command.id));
    this.have([...rest(this.queue), ...fresh]);
    const isKept = await this.parts.store.take(commands, replaced).then(
      () => true,
      () => false,
    );
    if (!isKept) this.unkept = [...rest(this.unkept), ...fresh];
    this.edition += 1;
    this.parts.toOtherTabs({ told: [], reply: null });
    void this.flush();
    return isKept;
  }

  /** What becomes of a command that is about to be said, as far as the next try tells. */
  becomes(id: string): Promise<Became> {
    return new Promise((resolve) => this.watched.set(id, resolve));
  }

  private become(ids: readonly string[], became: Became): void {
    for (const id of ids) {
      this.watched.get(id)?.(became);
      this.watched.delete(id);
    }
  }

  /** Sends all that waits, after whatever is being sent already. */
  readonly flush = (): Promise<void> => {
    this.endRetry();
    this.sending = this.sending.then(this.send, this.send);
    return this.sending;
  };

  private readonly send = async (): Promise<void> => {
    await this.read();
    const watched = [...this.watched.keys()];
    if (this.state.waiting.length > 0) await this.parts.alone(this.sendAll);
    // What was there to be tried and has become nothing else waits, unless another tab has told it.
    this.become(
      watched.filter((id) => this.knows(id)),
      { kind: "kept" },
    );
    this.become(
      watched.filter((id) => !this.knows(id)),
      { kind: "told" },
    );
  };

  private knows(id: string): boolean {
    return this.queue.some((one) => one.command.id === id);
  }

  private readonly sendAll = async (): Promise<void> => {
    const held = new Set<string>();
    for (;;) {
      await this.read();
      const batch = nextOf(this.state.waiting, held, this.most);
      if (batch.length === 0) break;
      const then = await this.sendOne(batch, held);
      if (then === "after-sign-in") return;
      if (then === "later") break;
    }
    if (this.state.waiting.length > 0) this.retryLater();
  };

  /** Tells one batch; answers when the rest is told: what the server holds against it is in `held`. */
  private async sendOne(
    batch: readonly Command[],
    held: Set<string>,
  ): Promise<"at-once" | "later" | "after-sign-in"> {
    try {
      const patience = Math.min(LONGEST_PATIENCE_MS, FIRST_PATIENCE_MS * 2 ** this.failures);
      await this.heard(batch, await this.parts.tell(batch, patience));
      return "at-once";
    } catch (error) {
      if (isSignedOut(error)) {
        this.show({ silent: false, signedOut: true });
        this.parts.onSignedOut();
        return "after-sign-in";
      }
      const how = isProblem(error) ? refusedHow(error.problem, batch.length) : "busy";
      switch (how) {
        case "busy":
          // So much at once may be more than the network carries in the time.
          this.most = Math.max(1, Math.ceil(batch.length / 2));
          this.show({ silent: true, signedOut: false });
          return "later";
        case "fewer":
          this.most = Math.ceil(batch.length / 2);
          return "at-once";
        case "held":
          batch.forEach((command) => held.add(aboutOf(command)));
          return "at-once";
        case "for-good":
          if (isProblem(error)) await this.setAside(refusedOf(batch, error.problem));
          this.show({ silent: false, signedOut: false });
          return "at-once";
      }
    }
  }

  private async heard(batch: readonly Command[], reply: SetsReply | null): Promise<void> {
    const told = batch.map((command) => command.id);
    this.failures = 0;
    this.most = Math.min(MOST_AT_ONCE, 2 * this.most);
    this.note({ told, reply }, batch, SHOWN_MS);
    await this.drop(told);
    this.become(told, { kind: "told" });
    this.parts.toOtherTabs({ told, reply });
  }

  /** Takes in what another tab of this device has said or heard. */
  readonly hear = (note: TabNote): void => {
    const told = this.queue.map((one) => one.command).filter((one) => note.told.includes(one.id));
    if (note.told.length > 0) this.note(note, told, HEARD_MS);
    this.become(note.told, { kind: "told" });
    void this.read();
  };

  /** Notes that the server has been told; what it was told is shown until it is read of the server. */
  private note({ told, reply }: TabNote, batch: readonly Command[], shownMs: number): void {
    this.show({ silent: false, signedOut: false, told: [...this.state.told, ...batch] });
    this.parts.after(shownMs, () => {
      this.show({ told: this.state.told.filter((one) => !batch.includes(one)) });
    });
    if (reply === null) return;
    const replies = new Map([...this.state.replies, ...told.map((id) => [id, reply] as const)]);
    this.show({ replies, clockAheadSeconds: reply.clockAheadSeconds });
  }

  private async drop(ids: readonly string[]): Promise<void> {
    await this.parts.store.drop(ids).catch(() => undefined);
    const rest = (queue: readonly Waiting[]) => queue.filter((one) => !ids.includes(one.command.id));
    this.unkept = rest(this.unkept);
    this.have(rest(this.queue));
  }

  private async setAside(refused: readonly Waiting[]): Promise<void> {
    await this.parts.store.mark(refused).catch(() => undefined);
    const byId = new Map(refused.map((one) => [one.command.id, one]));
    const marked = (queue: readonly Waiting[]) => queue.map((one) => byId.get(one.command.id) ?? one);
    this.unkept = marked(this.unkept);
    this.have(marked(this.queue));
    for (const one of refused.filter(({ refusal }) => refusal !== null))
      this.become([one.command.id], { kind: "refused", refused: one });
    this.parts.toOtherTabs({ told: [], reply: null });
  }

  private retryLater(): void {
    this.endRetry();
    const seconds = RETRY_SECONDS[Math.min(this.failures, RETRY_SECONDS.length - 1)] ?? 30;
    this.failures += 1;
    this.endRetry = this.parts.after(seconds * 1000, () => void this.flush());
  }

  /** Puts a refused command back among those that wait, and sends. */
  async sendAgain({ command }: Waiting): Promise<void> {
    await this.setAside([{ command, refusal: null }]);
    await this.flush();
  }

  /** Takes a refused command off this device for good. */
  async discard({ command }: Waiting): Promise<void> {
    await this.drop([command.id]);
    this.parts.toOtherTabs({ told: [], reply: null });
  }
}
