import { describe, expect, it } from "@jest/globals";
import type { ProblemError } from "@mirrup/contract";
import { aboutOf } from "./command.js";
import { nextOf, refusedOf, replacedBy, type Waiting } from "./queue.js";
import { lessonSaid, newcomerSaid, setSaid, stopSaid } from "./testing.js";

const NONE: ReadonlySet<string> = new Set();
const REFUSAL: ProblemError = { field: "", code: "no", message: "No." };
const ids = (commands: readonly { readonly id: string }[]) => commands.map(({ id }) => id).join("");
const waiting = (...commands: readonly Waiting["command"][]): Waiting[] =>
  commands.map((command) => ({ command, refusal: null }));

describe("what is told next", () => {
  const queue = [
    ...waiting(setSaid("a", "ada"), lessonSaid("b", "l", { finished: true }), setSaid("c", "bo")),
    ...waiting(setSaid("d", "ada"), stopSaid("e", "ada", true)),
  ];

  it("is all sets together, and the rest one by one", () => {
    expect(ids(nextOf(queue, NONE, 9))).toBe("acd");
    expect(ids(nextOf(queue, NONE, 2))).toBe("ac");
    expect(ids(nextOf(queue.slice(1), NONE, 9))).toBe("b");
    expect(nextOf([], NONE, 9)).toEqual([]);
  });

  it("is nothing of what is held, and nothing that was refused", () => {
    expect(ids(nextOf(queue, new Set(["student ada"]), 9))).toBe("b");
    const [first, ...rest] = queue;
    if (first === undefined) throw new Error("There is no first.");
    expect(ids(nextOf([{ ...first, refusal: REFUSAL }, ...rest], NONE, 9))).toBe("b");
  });

  it("passes over nothing that was said before of the same student", () => {
    const decided = { ...setSaid("x", "ada"), kind: "decide", studentId: "ada", decisions: [] } as const;
    const line = waiting(setSaid("a", "bo"), decided, setSaid("b", "ada"), setSaid("c", "bo"));
    expect(aboutOf(decided)).toBe("student ada");
    expect(ids(nextOf(line, NONE, 9))).toBe("ac");
  });

  it("says nothing of somebody new before the server knows them, and holds up nothing else", () => {
    const comes = (id: string, studentId: string) =>
      lessonSaid(id, "l", { attendance: { [studentId]: "present" } });
    const line = waiting(
      ...[setSaid("a", "bo"), newcomerSaid("b", "cy"), setSaid("c", "cy"), stopSaid("d", "cy", true)],
      ...[comes("e", "cy"), comes("f", "bo"), lessonSaid("g", "m", { ownRopes: { cy: true } })],
    );
    expect(ids(nextOf(line, NONE, 9))).toBe("a");
    expect(ids(nextOf(line.slice(1), NONE, 9))).toBe("b");
    const held = new Set([aboutOf(newcomerSaid("b", "cy"))]);
    expect(ids(nextOf(line.slice(1), held, 9))).toBe("f");
    expect(ids(nextOf([...line.slice(1, 5), ...line.slice(6)], held, 9))).toBe("");
  });
});

describe("what is said again", () => {
  it("leaves what was refused for a person to look at", () => {
    const old = waiting(stopSaid("a", "ada", true));
    const again = [stopSaid("b", "ada", false)];
    expect(replacedBy(old, again)).toEqual(old);
    expect(
      replacedBy(
        old.map((one) => ({ ...one, refusal: REFUSAL })),
        again,
      ),
    ).toEqual([]);
  });
});

describe("a refusal", () => {
  const batch = [setSaid("a", "ada"), setSaid("b", "bo"), setSaid("c", "cy")];
  const problem = { type: "refused-sets", title: "No", status: 422, detail: "Not so." };
  const named = (...items: readonly number[]) => ({
    ...problem,
    errors: items.map((item) => ({ ...REFUSAL, item })),
  });
  const refused = (of: typeof problem) => ids(refusedOf(batch, of).map((one) => one.command));

  it("is about the items that it names, or the first", () => {
    expect(refused(named(0, 2))).toBe("ac");
    expect(refused(problem)).toBe("a");
    expect(refusedOf(batch, problem)[0]?.refusal?.message).toBe("Not so.");
    expect(refusedOf([], problem)).toEqual([]);
  });

  it("is about something whatever it names, since it would be met again for ever", () => {
    expect(refused(named(7))).toBe("a");
  });
});
