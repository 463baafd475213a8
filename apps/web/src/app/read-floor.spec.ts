import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { FloorView } from "@mirrup/contract";
import { QueryObserver, type QueryClient } from "@tanstack/react-query";
import { ReadingClient } from "./reading-client.js";
import { readFloor } from "./read-floor.js";

const OF = { subject: "cross", side: "left" } as const;
const VIEW = {
  ...{ student: { id: "wren", name: "Wren" }, standings: ["cleared"], next: ["double"] },
  ...{ sets: ["one"], load: { landings: 9 } },
} as unknown as FloorView;

let client: QueryClient;
let asked: string[];
let closes: (() => void)[];
beforeEach(() => {
  client = new ReadingClient();
  asked = [];
  closes = [];
});
afterEach(() => {
  closes.forEach((close) => close());
  client.clear();
});

/** A page that shows a reading, which was read before. */
function page(...key: readonly string[]): () => unknown {
  client.setQueryData(
    key,
    key[0] === "students" && key.length === 1 ? [{ id: "wren" }, { id: "ash" }] : "old",
  );
  const observer = new QueryObserver(client, {
    ...{ queryKey: key, staleTime: Infinity, retry: false },
    queryFn: () => {
      asked.push(key.join(" "));
      return Promise.resolve("asked");
    },
  });
  closes.push(observer.subscribe(() => undefined));
  return () => observer.getCurrentResult().data;
}

const floor = () => {
  asked.push("floor");
  return Promise.resolve(VIEW);
};

describe("what is read after a set", () => {
  it("comes in one answer, of all that the floor shows of the student", async () => {
    const pages = ["standings", "next", "load"].map((part) => page("students", "wren", part));
    const student = page("students", "wren");
    const sets = page("students", "wren", "sets", "cross", "left");
    const all = page("students");
    await readFloor(client, "wren", OF, floor);
    expect(asked).toEqual(["floor"]);
    expect(pages.map((shown) => shown())).toEqual([VIEW.standings, VIEW.next, VIEW.load]);
    expect([student(), sets()]).toEqual([VIEW.student, VIEW.sets]);
    expect(all()).toEqual([VIEW.student, { id: "ash" }]);
  });

  it("is asked for by itself where the answer does not hold it, and of nobody else", async () => {
    const ladder = page("students", "wren", "ladder", "cross", "left");
    const other = page("students", "ash", "standings");
    await readFloor(client, "wren", OF, floor);
    expect(asked).toEqual(["floor", "students wren ladder cross left"]);
    expect([ladder(), other()]).toEqual(["asked", "old"]);
  });

  it("is not taken for an older answer that was on its way, nor asked for by a page that comes to show it", async () => {
    let late: (answer: string) => void = () => undefined;
    const key = ["students", "wren", "load"];
    const older = new QueryObserver(client, {
      queryKey: key,
      queryFn: () => new Promise<string>((resolve) => (late = resolve)),
    });
    closes.push(older.subscribe(() => undefined));
    await readFloor(client, "wren", OF, floor);
    late("of before the set");
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(older.getCurrentResult().data).toEqual(VIEW.load);
    expect(asked).toEqual(["floor"]);
  });

  it("does not come over what was read after it, as of a note that came in meanwhile", async () => {
    const sets = page("students", "wren", "sets", "cross", "left");
    const load = page("students", "wren", "load");
    let answer: (view: FloorView) => void = () => undefined;
    const reading = readFloor(client, "wren", OF, () => new Promise((resolve) => (answer = resolve)));
    await new Promise((resolve) => setTimeout(resolve, 0));
    await client.invalidateQueries({ queryKey: ["students", "wren", "sets"] });
    answer(VIEW);
    await reading;
    expect([sets(), load()]).toEqual(["asked", VIEW.load]);
  });

  it("is read anew by each page's own question when something else changes", async () => {
    const standings = page("students", "wren", "standings");
    await readFloor(client, "wren", OF, floor);
    await client.invalidateQueries();
    expect([asked, standings()]).toEqual([["floor", "students wren standings"], "asked"]);
  });

  it("is asked for piece by piece where the answer does not come", async () => {
    const standings = page("students", "wren", "standings");
    await readFloor(client, "wren", OF, () => Promise.reject(new Error("nobody answers")));
    expect(asked).toEqual(["students wren standings"]);
    expect(standings()).toBe("asked");
  });
});
