import { describe, expect, it } from "@jest/globals";
import { commandWords, waitingWords } from "./command-words.js";
import { lessonSaid, newcomerSaid, said, setSaid, stopSaid } from "./testing.js";

const nameOf = (id: string) => (id === "ada" ? "Ada" : "A student");

describe("what waits on the device", () => {
  it("is counted: sets, and the rest", () => {
    const set = setSaid("a", "ada");
    const stop = stopSaid("b", "ada", true);
    expect(waitingWords([set])).toBe("1 set");
    expect(waitingWords([set, set])).toBe("2 sets");
    expect(waitingWords([stop])).toBe("1 thing");
    expect(waitingWords([stop, stop])).toBe("2 things");
    expect(waitingWords([set, stop, stop])).toBe("1 set and 2 other things");
  });

  it("is said with whom it is about", () => {
    expect(commandWords(setSaid("a", "ada"), nameOf)).toMatch(/^Ada, .*cross.*: 10 clean, best 10, /);
    expect(commandWords(stopSaid("a", "bo", true), nameOf)).toMatch(/^A student: jumping ended early, /);
    expect(commandWords(stopSaid("a", "bo", false), nameOf)).toMatch(/did not end early/);
    expect(commandWords(newcomerSaid("a", "Wren"), nameOf)).toMatch(/^Wren: a new student, /);
    const note = said("a", { kind: "note", studentId: "ada", setId: "s", text: "Wrists" });
    expect(commandWords(note, nameOf)).toMatch(/^Ada: a note, “Wrists”, /);
    const run = {
      attendance: { ada: "late" },
      ownRopes: { bo: true },
      progress: null,
      finished: false,
    } as const;
    expect(commandWords(lessonSaid("a", "l", run), nameOf)).toMatch(
      /^A lesson: Ada: late, A student: has rope along, how far it is, and it goes on, /,
    );
    const decision = {
      id: "d",
      studentId: "ada",
      subject: "cross",
      side: "whole",
      reason: "",
      at: "",
    } as const;
    const decided = said("a", {
      ...{ kind: "decide", studentId: "ada" },
      decisions: [{ ...decision, decision: { kind: "clear", count: null } }],
    });
    expect(commandWords(decided, nameOf)).toMatch(/^Ada: .*cross.* cleared by hand, /);
  });
});
