import { describe, expect, it } from "@jest/globals";
import { QueryObserver, type QueryClient } from "@tanstack/react-query";
import { ReadingClient } from "./reading-client.js";
import { readAnew } from "./read-anew.js";

/** A server whose answers are on their way until they are let through, each as it was when it was asked. */
function server() {
  let state = "old";
  const waiting: (() => void)[] = [];
  let asked = 0;
  return {
    become: (next: string) => (state = next),
    asked: () => asked,
    ask: () => {
      asked += 1;
      const answer = state;
      return new Promise<string>((resolve) => waiting.push(() => resolve(answer)));
    },
    /** Lets everything through that was asked so far. */
    answer: async () => {
      for (const letThrough of waiting.splice(0)) letThrough();
      await new Promise((resolve) => setTimeout(resolve, 0));
    },
  };
}

const KEY = ["students", "wren"];

/** A page that shows one reading. */
function page(client: QueryClient, ask: () => Promise<string>, key: readonly unknown[] = KEY) {
  const observer = new QueryObserver<string>(client, { queryKey: key, queryFn: ask, retry: false });
  const close = observer.subscribe(() => undefined);
  return { shown: () => observer.getCurrentResult().data, close };
}

const change = { topics: ["students"], studentIds: ["wren"] } as const;

describe("reading anew what a change touches", () => {
  it("asks again also where the first answer is still on its way, which is of before the change", async () => {
    const [client, students] = [new ReadingClient(), server()];
    const one = page(client, students.ask);
    students.become("new");
    const read = readAnew(client, change);
    await students.answer();
    await students.answer();
    await read;
    expect([one.shown(), students.asked()]).toEqual(["new", 2]);
    one.close();
  });

  it("asks what is taught before anything that may name a newer skill", async () => {
    const [client, catalogue, students] = [new ReadingClient(), server(), server()];
    const [taught, one] = [page(client, catalogue.ask, ["catalogue"]), page(client, students.ask)];
    await catalogue.answer();
    await students.answer();
    catalogue.become("new");
    const read = readAnew(client, { topics: ["catalogue", "students"] });
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect([catalogue.asked(), students.asked()]).toEqual([2, 1]);
    await catalogue.answer();
    expect([taught.shown(), students.asked()]).toEqual(["new", 2]);
    await students.answer();
    await catalogue.answer();
    await read;
    taught.close();
    one.close();
  });

  it("keeps what is shown until the newer answer is there", async () => {
    const [client, students] = [new ReadingClient(), server()];
    const one = page(client, students.ask);
    await students.answer();
    expect(one.shown()).toBe("old");
    students.become("new");
    const read = readAnew(client, change);
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(one.shown()).toBe("old");
    await students.answer();
    await read;
    expect(one.shown()).toBe("new");
    one.close();
  });

  it("leaves alone what it does not touch, on its way or read", async () => {
    const [client, students, combos] = [new ReadingClient(), server(), server()];
    const [one, other] = [
      page(client, students.ask, ["students", "ivo"]),
      page(client, combos.ask, ["combos"]),
    ];
    await readAnew(client, change);
    await Promise.all([students.answer(), combos.answer()]);
    await readAnew(client, change);
    expect([students.asked(), combos.asked(), one.shown(), other.shown()]).toEqual([1, 1, "old", "old"]);
    one.close();
    other.close();
  });

  it("asks for nothing that nobody looks at, until somebody does", async () => {
    const [client, students] = [new ReadingClient(), server()];
    const before = page(client, students.ask);
    await students.answer();
    before.close();
    students.become("new");
    await readAnew(client, change);
    expect(students.asked()).toBe(1);
    const after = page(client, students.ask);
    await students.answer();
    expect([after.shown(), students.asked()]).toEqual(["new", 2]);
    after.close();
  });
});
