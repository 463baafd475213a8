import { playHandle, type Jumper } from "@mirrup/cohort";
import { readHandleMessage, ticksOf, withMessage, type HandleMessage } from "@mirrup/core/combos";
import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import type { MessageEvent } from "@nestjs/common";
import { handleEvents } from "./playing.js";

const JUMPER: Jumper = { seed: 3, tempo: 120, clean: 0.95, drift: 0, evenness: 95, fatigue: 0 };
const START = 1_700_000_000_000;

beforeEach(() => {
  jest.useFakeTimers({ now: START });
});
afterEach(() => {
  jest.useRealTimers();
});

/** Listens for so long, and comes back with the last id whenever the line breaks. */
async function listen(seconds: number) {
  const events: MessageEvent[] = [];
  let breaks = 0;
  const connect = () => {
    const subscription = handleEvents(JUMPER, events.at(-1)?.id, Date.now()).subscribe({
      next: (event) => events.push(event),
      complete: () => {
        breaks += 1;
        setTimeout(connect, 400);
      },
    });
    return subscription;
  };
  connect();
  await jest.advanceTimersByTimeAsync(seconds * 1000);
  jest.clearAllTimers();
  return { events, breaks };
}

const messagesIn = (events: readonly MessageEvent[]) =>
  events
    .flatMap(({ data }) => readHandleMessage(JSON.parse(data as string)) ?? [])
    .reduce<readonly HandleMessage[]>(withMessage, []);

describe("the handle's stream", () => {
  it("says each turn when its time has come", async () => {
    const { events } = await listen(5);
    const due = playHandle(JUMPER, 600).filter((one) => one.sentAt <= 5000);
    expect(messagesIn(events)).toHaveLength(new Set(due.map((one) => one.message.seq)).size);
    expect(events.length).toBeGreaterThan(5);
  });

  it("loses no turn over its breaks, though it says some twice", async () => {
    const { events, breaks } = await listen(180);
    const messages = messagesIn(events);
    expect(breaks).toBeGreaterThan(0);
    expect(events.length).toBeGreaterThan(messages.length);
    expect(ticksOf(messages)).toHaveLength(messages.at(-1)?.turns ?? 0);
  });

  it("begins afresh for an id that is none, and ends by itself", async () => {
    for (const id of ["nonsense", "99999999999999-1", ""]) {
      const heard: MessageEvent[] = [];
      const now = Date.now();
      const subscription = handleEvents(JUMPER, id, now).subscribe((event) => heard.push(event));
      await jest.advanceTimersByTimeAsync(1000);
      subscription.unsubscribe();
      expect(heard[0]?.id).toBe(`${now}-0`);
    }
    const { events } = await listen(700);
    expect(events.some((event) => event.type === "end")).toBe(true);
  });
});
