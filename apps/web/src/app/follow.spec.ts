import { describe, expect, it } from "@jest/globals";
import type { ChangesReply } from "@mirrup/contract";
import fc from "fast-check";
import { follow, restAfter } from "./follow.js";

const reply = (number: number, after: number): ChangesReply => ({
  number,
  all: false,
  items: Array.from({ length: number - after }, (_, place) => {
    return { number: after + place + 1, topics: ["students"], studentIds: [], device: null };
  }),
});

type Event = "change" | "silence" | "hidden" | "nothing";

/** A studio whose changes come as the events say; hidden pages stop and go on later from what they knew. */
async function heardIn(
  events: readonly Event[],
): Promise<{ readonly heard: number[]; readonly last: number }> {
  const heard: number[] = [];
  let last = 3;
  let known: number | null = null;
  const left = [...events];
  while (left.length > 0) {
    const page = new AbortController();
    known = await follow(
      {
        read: (after) => {
          const event = left.shift();
          if (event === undefined || event === "hidden") page.abort();
          if (event === "change") last += 1;
          if (event === "silence") return Promise.reject(new Error("Nobody answers."));
          return Promise.resolve(
            after === null ? { number: last, all: false, items: [] } : reply(last, after),
          );
        },
        hear: ({ items }) => heard.push(...items.map((item) => item.number)),
        rest: () => Promise.resolve(),
      },
      known,
      page.signal,
    );
  }
  return { heard, last };
}

describe("following changes", () => {
  it("hears of each once and in order, whatever the network does and whoever looks away", async () => {
    const event = fc.constantFrom<Event>("change", "change", "silence", "hidden", "nothing");
    await fc.assert(
      fc.asyncProperty(fc.array(event, { maxLength: 40 }), async (events) => {
        // It begins with what is, and ends when all was asked for once more.
        const { heard, last } = await heardIn(["nothing", ...events, "nothing"]);
        expect(heard).toEqual(Array.from({ length: last - 3 }, (_, place) => place + 4));
      }),
    );
  });

  it("hears what the first answer tells of the last seconds", async () => {
    const page = new AbortController();
    const first = { ...reply(3, 2), number: 3 };
    const heard: unknown[] = [];
    const read = () => Promise.resolve(first).finally(() => page.abort());
    await follow(
      { read, hear: (told) => heard.push(told), rest: () => Promise.resolve() },
      null,
      page.signal,
    );
    expect(heard).toEqual([first]);
  });

  it("is told that everything may be another", async () => {
    const page = new AbortController();
    const told: boolean[] = [];
    await follow(
      {
        read: (after) =>
          Promise.resolve({ number: 9, all: after !== null, items: [] }).finally(() => {
            if (after !== null) page.abort();
          }),
        hear: ({ all }) => told.push(all),
        rest: () => Promise.resolve(),
      },
      2,
      page.signal,
    );
    expect(told).toEqual([true]);
  });

  it("asks less and less often while nobody answers, and never less than twice a minute", () => {
    expect([1, 2, 3, 4, 5, 6, 20].map(restAfter)).toEqual([1000, 2000, 4000, 8000, 16_000, 30_000, 30_000]);
  });
});
