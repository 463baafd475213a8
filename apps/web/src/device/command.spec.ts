import { describe, expect, it } from "@jest/globals";
import type { LessonRun } from "@mirrup/contract";
import { aboutOf, isReplacedBy, type Command } from "./command.js";
import { lessonSaid, noteSaid, setSaid, stopSaid } from "./testing.js";

describe("a later command", () => {
  const run = (said: LessonRun, lessonId = "l") => lessonSaid("a", lessonId, said);

  it.each<[string, Command, Command, boolean]>([
    ["an early stop", stopSaid("a", "ada", true), stopSaid("b", "ada", false), true],
    ["another student's early stop", stopSaid("a", "ada", true), stopSaid("b", "bo", false), false],
    ["a set, never", setSaid("a", "ada"), setSaid("b", "ada"), false],
    ["a note", noteSaid("a", "ada", "s"), noteSaid("b", "ada", "s"), true],
    ["a note to another set", noteSaid("a", "ada", "s"), noteSaid("b", "ada", "t"), false],
    ["a note, with a set", noteSaid("a", "ada", "s"), setSaid("b", "ada"), false],
    ["who comes", run({ attendance: { ada: "late" } }), run({ attendance: { ada: "absent" } }), true],
    [
      "who comes of two, with one",
      run({ attendance: { ada: "late", bo: "late" } }),
      run({ attendance: { ada: "absent" } }),
      false,
    ],
    ["who comes, with a rope", run({ attendance: { ada: "late" } }), run({ ownRopes: { ada: true } }), false],
    [
      "a step, with a step and the end",
      run({ progress: null }),
      run({ progress: null, finished: true }),
      true,
    ],
    ["the end, with a step", run({ finished: true }), run({ progress: null }), false],
    [
      "a step, with a step that is taken back",
      run({ progress: null }),
      run({ progress: null, takesBack: "b" }),
      true,
    ],
    [
      "a step taken back, with a step",
      run({ progress: null, takesBack: "b" }),
      run({ progress: null }),
      false,
    ],
    [
      "a step taken back, with the one before it",
      run({ progress: null, takesBack: "c" }),
      run({ progress: null, takesBack: "b" }),
      false,
    ],
    ["another lesson's step", run({ progress: null }), run({ progress: null }, "other"), false],
  ])("says better %s: %#", (_what, earlier, later, isReplaced) => {
    expect(isReplacedBy(earlier, later)).toBe(isReplaced);
  });

  it("is told after what was said before it of the same thing", () => {
    expect(aboutOf(setSaid("a", "ada"))).toBe(aboutOf(setSaid("b", "ada")));
    expect(aboutOf(noteSaid("a", "ada", "s"))).toBe(aboutOf(setSaid("b", "ada")));
    const things = [setSaid("a", "ada"), setSaid("a", "bo"), stopSaid("a", "ada", true), run({})];
    expect(new Set(things.map(aboutOf)).size).toBe(things.length);
  });
});
