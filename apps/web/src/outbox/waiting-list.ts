/**
 * Small things that wait on this device until the server has them: kept at once, told as soon as somebody answers,
 * whatever page is open by then, and only as whoever said them.
 */
import { isProblem, isSignedOut } from "../app/api.js";
import { isPassing } from "./passing.js";
import { currentSender, isOf, onSenderChange, type Sender } from "./sender.js";

export interface Waiting {
  readonly sender: Sender;
}

interface WaitingListParts<T extends Waiting> {
  /** Under what it is kept on the device. */
  readonly key: string;
  readonly isItem: (value: unknown) => value is T;
  /** Tells the server; throws what it answers, or that nobody does. */
  readonly send: (item: T) => Promise<void>;
  /** Waits until what the server answered is on the page. */
  readonly settle?: () => Promise<void>;
  /** Whether it is still worth telling. */
  readonly isDue?: () => (item: T) => boolean;
}

const RETRY_MS = 4000;
/** What was read is on the page a moment after it is known: longer than that, and too short to be seen. */
const SETTLE_MS = 100;
const settled = () => new Promise<void>((resolve) => setTimeout(resolve, SETTLE_MS));

export class WaitingList<T extends Waiting> {
  /** Whether the last try to send met silence. */
  isSilent = false;
  private items: readonly T[];
  private readonly listeners = new Set<() => void>();
  private retry: ReturnType<typeof setTimeout> | undefined;
  private sending: Promise<void> = Promise.resolve();
  private tell: (error: unknown) => void = () => undefined;

  constructor(private readonly parts: WaitingListParts<T>) {
    this.items = this.kept();
  }

  readonly all = (): readonly T[] => this.items;

  readonly onChange = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private kept(): readonly T[] {
    try {
      const value: unknown = JSON.parse(localStorage.getItem(this.parts.key) ?? "[]");
      const items = Array.isArray(value) ? value.filter(this.parts.isItem) : [];
      return items.filter(({ sender }) => hasKeys(sender, ["personId", "studioId"]));
    } catch {
      return [];
    }
  }

  private keep(items: readonly T[]): void {
    this.items = items;
    try {
      localStorage.setItem(this.parts.key, JSON.stringify(items));
    } catch {
      // A browser that keeps nothing still sends while the page is open.
    }
    this.listeners.forEach((listener) => listener());
  }

  /** Takes an item in, in place of those that it replaces, and sends. */
  put(item: T, replaces: (other: T) => boolean): void {
    this.keep([...this.items.filter((one) => !replaces(one)), item]);
    void this.flush();
  }

  /** Sends what waits, after whatever is being sent already. */
  readonly flush = (): Promise<void> => {
    this.sending = this.sending.then(this.sendAll, this.sendAll);
    return this.sending;
  };

  private readonly sendAll = async (): Promise<void> => {
    clearTimeout(this.retry);
    const isDue = this.parts.isDue?.() ?? (() => true);
    if (!this.items.every(isDue)) this.keep(this.items.filter(isDue));
    const sender = currentSender();
    for (const item of this.items.filter((one) => isOf(sender, one.sender))) {
      if (await this.sendOne(item)) continue;
      this.retry = setTimeout(() => void this.flush(), RETRY_MS);
      return;
    }
  };

  /** Whether the item is off the device: the server has it, or has refused it for good. */
  private async sendOne(item: T): Promise<boolean> {
    try {
      await this.parts.send(item);
      // Until then the page would show for a moment what was before it.
      await (this.parts.settle ?? settled)();
    } catch (error) {
      if (isSignedOut(error) || !isProblem(error) || isPassing(error.problem)) {
        this.isSilent = true;
        this.keep(this.items);
        return false;
      }
      // It will be refused again, however often it is sent.
      this.tell(error);
    }
    this.isSilent = false;
    // What replaced it while it was sent stays, and is sent too.
    this.keep(this.items.filter((one) => one !== item));
    return true;
  }

  /** Begins to send: now, whenever the network comes back, and when someone signs in; tells what is refused for good. */
  start(tell: (error: unknown) => void): void {
    this.tell = tell;
    window.addEventListener("online", () => void this.flush());
    // Another window of this device has kept something, or has been heard.
    window.addEventListener("storage", ({ key }) => {
      if (key !== this.parts.key) return;
      this.items = this.kept();
      this.listeners.forEach((listener) => listener());
    });
    onSenderChange(() => void this.flush());
    void this.flush();
  }
}

/** Whether something that was kept has all of these. */
export function hasKeys(value: unknown, keys: readonly string[]): boolean {
  return typeof value === "object" && value !== null && keys.every((key) => key in value);
}
