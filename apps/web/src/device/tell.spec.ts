import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { QueryObserver } from "@tanstack/react-query";
import { ReadingClient } from "../app/reading-client.js";
import { newcomerSaid, noteSaid, lessonSaid } from "./testing.js";
import { tell } from "./tell.js";

afterEach(() => {
  jest.restoreAllMocks();
});

describe("somebody new", () => {
  const problem = (type: string) =>
    Response.json({ type, title: "No", status: 409, detail: "No." }, { status: 409 });
  const told = (answer: () => Response) => {
    const fetched = jest.spyOn(globalThis, "fetch").mockImplementation(() => Promise.resolve(answer()));
    const client = new ReadingClient();
    return { fetched, became: tell(client, [newcomerSaid("a", "wren")], 1000) };
  };

  it("is told by their id and name", async () => {
    const { fetched, became } = told(() => Response.json({ id: "wren" }));
    await expect(became).resolves.toBeNull();
    const [path, init] = fetched.mock.calls[0] ?? [];
    expect([path, init?.method, init?.body]).toEqual([
      ...["/api/students", "POST"],
      JSON.stringify({ id: "wren", name: "wren" }),
    ]);
  });

  it("was told where the server has them, whatever was written of them since; what else it says is no yes", async () => {
    await expect(told(() => problem("added-already")).became).resolves.toBeNull();
    await expect(told(() => problem("conflict")).became).rejects.toThrow();
  });
});

describe("what a note that was told changes", () => {
  it("is shown also by a page whose first answer is still on its way, which is of before the note", async () => {
    let isNoted = false;
    jest.spyOn(globalThis, "fetch").mockImplementation((_path, init) => {
      if (init?.method === "PUT") isNoted = true;
      return Promise.resolve(Response.json({ done: true }));
    });
    const client = new ReadingClient();
    const waiting: (() => void)[] = [];
    const sets = new QueryObserver(client, {
      queryKey: ["students", "wren", "sets", "cross", "left"],
      queryFn: () => {
        const answer = isNoted ? "noted" : "bare";
        return new Promise<string>((resolve) => waiting.push(() => resolve(answer)));
      },
    });
    const close = sets.subscribe(() => undefined);
    await tell(client, [noteSaid("a", "wren", "set")], 1000);
    for (let round = 0; round < 4; round += 1) {
      for (const letThrough of waiting.splice(0)) letThrough();
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
    expect(sets.getCurrentResult().data).toBe("noted");
    close();
    client.clear();
  });
});

describe("what a tap in a hall changes", () => {
  it("stands whatever was asked before it, and what is asked after it is shown too", async () => {
    // The server's lesson, and readings of it that arrive once they are let through.
    let step = 0;
    const waiting: (() => void)[] = [];
    jest.spyOn(globalThis, "fetch").mockImplementation((_path, init) => {
      if (init?.method === "PATCH") step += 1;
      return Promise.resolve(Response.json({ id: "l", step }));
    });
    const client = new ReadingClient();
    const shown: number[] = [];
    const reading = new QueryObserver(client, {
      queryKey: ["lessons", "l"],
      initialData: { step: 0 },
      queryFn: () => {
        const answer = { step };
        return new Promise<typeof answer>((resolve) => waiting.push(() => resolve(answer)));
      },
    });
    const close = reading.subscribe(({ data }) => shown.push(data?.step ?? -1));
    await tell(client, [lessonSaid("a", "l", {})], 1000);
    // Another device goes on; of this the server has told while the answer of before was on its way.
    step = 2;
    for (let round = 0; round < 4; round += 1) {
      for (const letThrough of waiting.splice(0)) letThrough();
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
    expect(shown.filter((one, index) => one !== shown[index - 1])).toEqual([0, 1, 2]);
    close();
    client.clear();
  });
});
