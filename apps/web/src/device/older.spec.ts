import { describe, expect, it } from "@jest/globals";
import { lessonsOf, listOf, setsOf, stopsOf } from "./older.js";
import { HERE, setOf } from "./testing.js";

const AT = "2026-06-01T17:00:00.000Z";
const NO_SENDER = [null, 3, {}, { personId: "p" }];

describe("what an older version left on the device", () => {
  it("is taken over: sets with why they were refused", () => {
    const refusal = { field: "", code: "no", message: "No." };
    const sets = setsOf([
      { set: setOf("a", "ada"), refusal: null, sender: HERE },
      { set: setOf("b", "bo"), refusal, sender: HERE },
      ...NO_SENDER.map((sender) => ({ set: setOf("c", "cy"), refusal: null, sender })),
      ...[null, "x", { set: {}, refusal: null, sender: HERE }],
    ]);
    expect(sets.map(({ command, refusal: why }) => [command.id, command.kind, why])).toEqual([
      ["a", "set", null],
      ["b", "set", refusal],
    ]);
  });

  it("is taken over: early stops of the same day alone, and a hall's taps", () => {
    const stop = { studentId: "ada", stops: true, day: "2026-06-01", sender: HERE };
    const stops = stopsOf(
      [stop, { ...stop, day: "2026-05-31" }, { ...stop, stops: "yes" }, null],
      "2026-06-01",
      AT,
    );
    expect(stops.map((one) => one.command)).toMatchObject([
      { kind: "stop", studentId: "ada", stops: true, at: AT },
    ]);
    const run = { lessonId: "l", run: { finished: true }, sender: HERE };
    const broken = [{ ...run, run: null }, { ...run, lessonId: 3 }, { run: {} }, null];
    expect(lessonsOf([run, ...broken], AT).map((one) => one.command)).toMatchObject([
      { kind: "lesson", lessonId: "l", run: { finished: true }, sender: HERE },
    ]);
  });

  it("is nothing where it cannot be read", () => {
    for (const text of [null, "{half", '{"a":1}', "7"]) expect(listOf(text)).toEqual([]);
    expect(listOf("[1]")).toEqual([1]);
  });
});
