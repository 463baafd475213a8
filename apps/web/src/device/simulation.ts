/**
 * A hall in a test: a clock that is turned by hand, a server that is as simple as can be, and devices whose network
 * loses, delays, doubles and reorders what they tell, and whose pages are closed and opened.
 */
import type { Attendance, SetsReply } from "@mirrup/contract";
import type { Random } from "@mirrup/cohort";
import { ProblemError, SilenceError } from "../app/api.js";
import type { Command } from "./command.js";
import { Outbox, type TabNote } from "./outbox.js";
import type { Waiting } from "./queue.js";
import type { Sender } from "./sender.js";
import type { CommandStore } from "./store.js";

const nextTurn = () => new Promise<void>((resolve) => setImmediate(resolve));
/** More than any step of an outbox takes that waits for nothing but the device. */
const TURNS = 6;
async function settled(): Promise<void> {
  for (let turn = 0; turn < TURNS; turn += 1) await nextTurn();
}

export class Clock {
  now = 0;
  private timers: { readonly at: number; readonly work: () => void }[] = [];

  readonly after = (milliseconds: number, work: () => void): (() => void) => {
    const timer = { at: this.now + milliseconds, work };
    this.timers = [...this.timers, timer].sort((a, b) => a.at - b.at);
    return () => {
      this.timers = this.timers.filter((one) => one !== timer);
    };
  };

  rest(milliseconds: number): Promise<void> {
    return new Promise((resolve) => void this.after(milliseconds, resolve));
  }

  /** Lets so much time go by, with everything that happens in it. */
  async turn(milliseconds: number): Promise<void> {
    const until = this.now + milliseconds;
    await settled();
    for (let next = this.timers[0]; next !== undefined && next.at <= until; next = this.timers[0]) {
      this.timers = this.timers.slice(1);
      this.now = next.at;
      next.work();
      await settled();
    }
    this.now = until;
  }
}

interface Word<T> {
  readonly value: T;
  readonly at: number;
}

/** Those whom the studio knows from the first. */
export const STUDENTS: readonly string[] = ["ada", "bo", "cy"];

/** What a server has of a hall: each set once, of everything else the word that was said last. */
export class Hall {
  /** Whom the studio knows. */
  readonly students = new Set(STUDENTS);
  readonly sets = new Map<string, Sender>();
  readonly comes = new Map<string, Word<Attendance>>();
  readonly stops = new Map<string, Word<boolean>>();
  readonly notes = new Map<string, Word<string>>();
  readonly jumps = new Map<string, Word<boolean>>();
  step = -1;

  /** Takes what is told in the name of whoever is signed in. */
  take(command: Command, at: number, by: Sender): void {
    switch (command.kind) {
      case "student":
        this.students.add(command.studentId);
        break;
      case "set":
        if (!this.students.has(command.set.studentId))
          throw new Error(`A set came before its student ${command.set.studentId}.`);
        if (!this.sets.has(command.id)) this.sets.set(command.id, by);
        break;
      case "stop":
        keepLast(this.stops, command.studentId, { value: command.stops, at });
        break;
      case "lesson":
        // What is said of somebody whom nobody knows is said of nobody.
        for (const [id, value] of Object.entries(command.run.attendance ?? {}))
          if (this.students.has(id)) keepLast(this.comes, id, { value, at });
        this.step = Math.max(this.step, command.run.progress?.step ?? -1);
        break;
      case "note":
        // Nothing can be noted to a set that is not there.
        if (!this.sets.has(command.setId)) throw new Error(`A note came before its set ${command.setId}.`);
        keepLast(this.notes, command.setId, { value: command.text, at });
        break;
      case "jump":
        keepLast(this.jumps, command.jump.id, { value: command.removed, at });
        break;
      case "decide":
        break;
    }
  }
}

function keepLast<T>(words: Map<string, Word<T>>, of: string, word: Word<T>): void {
  const known = words.get(of);
  if (known === undefined || known.at <= word.at) words.set(of, word);
}

/** What lasts on a device while its pages come and go. */
function memoryStore(): CommandStore {
  let kept: readonly Waiting[] = [];
  const later = (work: () => void) => nextTurn().then(work);
  return {
    all: () => nextTurn().then(() => kept),
    take: (commands, replaced) =>
      later(() => {
        const rest = kept.filter((one) => !replaced.includes(one.command.id));
        kept = [...rest, ...commands.map((command) => ({ command, refusal: null }))];
      }),
    mark: (waiting) =>
      later(() => {
        const byId = new Map(waiting.map((one) => [one.command.id, one]));
        kept = kept.map((one) => byId.get(one.command.id) ?? one);
      }),
    drop: (ids) =>
      later(() => {
        kept = kept.filter((one) => !ids.includes(one.command.id));
      }),
  };
}

const problem = (status: number, type: string) =>
  new ProblemError({ type, title: "No", status, detail: "No.", requestId: "1" });

const REPLY: SetsReply = {
  ...{ stored: [], alreadyStored: [], clockAhead: [], clockAheadSeconds: 0, changes: [], opened: [] },
};

/** Whether the server refuses a command for good. */
export const isPoisonId = (id: string) => id.startsWith("poison");
export const isPoison = ({ id }: Command) => isPoisonId(id);

interface Page {
  readonly outbox: Outbox;
  readonly close: () => void;
}

export class Device {
  isOnline = true;
  isSignedIn = true;
  sender: Sender;
  private readonly store = memoryStore();
  private lock: Promise<void> = Promise.resolve();
  private pages: Page[];

  constructor(
    private readonly clock: Clock,
    private readonly hall: Hall,
    private readonly random: Random,
    sender: Sender,
    /** How far its clock is ahead, milliseconds. */
    readonly ahead: number,
    tabs: number,
  ) {
    this.sender = sender;
    this.pages = Array.from({ length: tabs }, () => this.open());
  }

  get outboxes(): readonly Outbox[] {
    return this.pages.map((page) => page.outbox);
  }

  /** The instant that its clock shows. */
  instant(): string {
    return new Date(this.clock.now + this.ahead).toISOString();
  }

  /** Closes a page in the middle of whatever it does, and opens it again. */
  reload(tab: number): void {
    this.pages[tab]?.close();
    this.pages[tab] = this.open();
    void this.pages[tab].outbox.flush();
  }

  private open(): Page {
    let isOpen = true;
    let die: () => void = () => undefined;
    const died = new Promise<void>((resolve) => (die = resolve));
    /** Whoever was on this page does not hear any more. */
    const heard = <T>(answer: Promise<T>) =>
      new Promise<T>((resolve, reject) => {
        answer.then(
          (value) => isOpen && resolve(value),
          (error: unknown) => isOpen && reject(error instanceof Error ? error : new Error(String(error))),
        );
      });
    const outbox: Outbox = new Outbox({
      store: this.store,
      tell: (batch, longestMs) => heard(this.tell(batch, longestMs)),
      sender: () => this.sender,
      onSignedOut: () => undefined,
      alone: (work) => {
        const turn = this.lock.then(() => (isOpen ? Promise.race([work(), died]) : undefined));
        this.lock = turn.catch(() => undefined);
        return turn;
      },
      toOtherTabs: (note: TabNote) =>
        this.pages.forEach((page) => page.outbox !== outbox && page.outbox.hear(note)),
      after: (milliseconds, work) => this.clock.after(milliseconds, () => isOpen && work()),
    });
    return {
      outbox,
      close: () => {
        isOpen = false;
        die();
      },
    };
  }

  private async tell(batch: readonly Command[], longestMs: number): Promise<SetsReply> {
    const { clock, random, sender: by } = this;
    const trip = () => 20 + 400 * random();
    const take = () =>
      batch.forEach((command) => this.hall.take(command, Date.parse(command.at) - this.ahead, by));
    const silence = async (): Promise<never> => {
      await clock.rest(longestMs);
      throw new SilenceError();
    };
    if (!this.isOnline) {
      await clock.rest(50);
      throw new SilenceError();
    }
    await clock.rest(trip());
    if (!this.isSignedIn) throw problem(401, "not-signed-in");
    const fate = random();
    if (fate < 0.08) return silence();
    if (fate < 0.12) throw new SilenceError();
    if (fate < 0.16) throw problem(409, "conflict");
    if (fate < 0.19) throw problem(500, "bug");
    const poisoned = batch.flatMap((command, item) => (isPoison(command) ? [item] : []));
    if (poisoned.length > 0) {
      const errors = poisoned.map((item) => ({ item, field: "", code: "no", message: "No." }));
      throw new ProblemError({ type: "refused", title: "No", status: 422, detail: "No.", errors });
    }
    if (fate < 0.27) {
      // It was given up, and gets there all the same.
      clock.after(longestMs + 20_000 * random(), take);
      return silence();
    }
    take();
    if (fate < 0.35) return silence();
    if (fate < 0.4) clock.after(30_000 * random(), take);
    await clock.rest(trip());
    return REPLY;
  }
}
