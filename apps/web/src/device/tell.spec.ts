import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { QueryObserver } from "@tanstack/react-query";
import { ReadingClient } from "../app/reading-client.js";
import { noteSaid } from "./testing.js";
import { tell } from "./tell.js";

afterEach(() => {
  jest.restoreAllMocks();
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
