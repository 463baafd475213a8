import { describe, expect, it } from "@jest/globals";
import type { JumpMeasure } from "@mirrup/contract";
import { jumpsOf, newcomersOf, pressedOf, runOf, runsTogether } from "./shown.js";
import { lessonSaid, newcomerSaid, said, stopSaid } from "./testing.js";

describe("what was pressed of a student", () => {
  const pressed = [stopSaid("a", "ada", true), stopSaid("b", "bo", true), stopSaid("c", "ada", false)];
  const on = (day: string, zone = "UTC") =>
    ["ada", "bo", "cy"].map((id) => pressedOf(pressed, id, day, zone));

  it("is the last of the day, by the clock of the place", () => {
    expect(on("2026-06-01")).toEqual([false, true, undefined]);
    expect(on("2026-06-02")).toEqual([undefined, undefined, undefined]);
    expect(on("2026-06-02", "Pacific/Auckland")).toEqual([false, true, undefined]);
  });
});

describe("what was tapped of a lesson", () => {
  it("is all that waits of it, the later word counting", () => {
    const tapped = [
      lessonSaid("a", "l", { attendance: { a: "late", b: "absent" } }),
      lessonSaid("b", "l", { attendance: { a: "present" }, finished: true }),
      lessonSaid("c", "other", { finished: false }),
      said("d", { kind: "stop", studentId: "a", stops: true }),
    ];
    expect(runOf(tapped, "l")).toEqual({ attendance: { a: "present", b: "absent" }, finished: true });
    expect(runOf(tapped, "nothing")).toBeNull();
    expect(runsTogether({ finished: true }, {})).toEqual({ finished: true });
  });
});

describe("who was added on this device", () => {
  it("is there with a name, in the order in which they came, and nobody of whom something else was said", () => {
    const told = [newcomerSaid("a", "wren"), stopSaid("b", "ada", true), newcomerSaid("c", "ivo")];
    expect(newcomersOf(told)).toEqual([
      { id: "wren", name: "wren" },
      { id: "ivo", name: "ivo" },
    ]);
  });
});

describe("a student's measured jumps", () => {
  const jump = (id: string, measuredAt: string): JumpMeasure => ({
    ...{ id, measuredAt, turns: 2, heightMm: 180, contactMs: 250, landings: 11, way: "taps" },
  });
  const [older, newer] = [jump("a", "2026-06-01T10:00:00Z"), jump("b", "2026-06-02T10:00:00Z")];

  it("are those that are stored with what was said here, the newest first, and nobody else's", () => {
    const told = [
      said("1", { kind: "jump", studentId: "ada", jump: newer, removed: false }),
      said("2", { kind: "jump", studentId: "bo", jump: jump("c", "2026-06-03T10:00:00Z"), removed: false }),
    ];
    expect(jumpsOf(told, "ada", [older]).map(({ id }) => id)).toEqual(["b", "a"]);
    expect(jumpsOf(told, "ada", [older, newer])).toHaveLength(2);
    const back = [...told, said("3", { kind: "jump", studentId: "ada", jump: older, removed: true })];
    expect(jumpsOf(back, "ada", [older]).map(({ id }) => id)).toEqual(["b"]);
  });
});
