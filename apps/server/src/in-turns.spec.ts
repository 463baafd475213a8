import { describe, expect, it } from "@jest/globals";
import { inTurns } from "./in-turns.js";

describe("steps in turns", () => {
  function* counted(name: string, many: number, seen: string[]): Generator<undefined, string> {
    for (let step = 0; step < many; step += 1) {
      seen.push(name);
      yield;
    }
    return name;
  }

  it("let others have theirs, and come to what the last one says", async () => {
    const seen: string[] = [];
    const both = await Promise.all([inTurns(counted("a", 3, seen)), inTurns(counted("b", 3, seen))]);
    expect(both).toEqual(["a", "b"]);
    expect(seen).toEqual(["a", "b", "a", "b", "a", "b"]);
    expect(await inTurns(counted("none", 0, seen))).toBe("none");
  });

  it("fail as a step fails", async () => {
    function* failing(): Generator<undefined, number> {
      yield;
      throw new RangeError("no such place");
    }
    await expect(inTurns(failing())).rejects.toThrow("no such place");
  });
});
