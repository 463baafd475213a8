import { describe, expect, it } from "@jest/globals";
import type { RoundCounted } from "@mirrup/contract";
import { heldAfter, leftAfter, type Holding } from "@mirrup/core/teaching";
import fc from "fast-check";
import { v7 as uuid } from "uuid";
import {
  afterReply,
  answeredRound,
  begunRound,
  countedOf,
  freshRound,
  setIdOf,
  type KeptRound,
} from "./kept-round.js";

const streak = { kind: "streak", count: 10 } as const;
const hold = { kind: "hold", seconds: 30 } as const;
const fresh = freshRound("left", streak);
const R = "01900000-0000-7000-8000-000000000001";
const iso = (at: number) => new Date(at).toISOString();
const ms = (instant: string) => Date.parse(instant);
const NOW = 60_000;
const begun = answeredRound(begunRound(fresh, R, 1000), "wren", 3);
const held: KeptRound = { ...begun, turn: "first", told: { id: R, answers: { wren: 3 } } };
const bens: RoundCounted = {
  ...{ id: R, side: "left", drill: streak, startedAt: iso(500), heldFrom: null },
  ...{ answers: { wren: 4, linnet: 5 }, away: ["teal"] },
};

describe("a round that goes along", () => {
  it("is nothing to tell of before it has begun", () => {
    expect(countedOf(fresh, iso)).toBeNull();
    expect(countedOf(begun, iso)).toMatchObject({ id: R, startedAt: iso(1000), answers: { wren: 3 } });
  });

  it("leaves behind what another device has, and keeps what only this one knows", () => {
    const theirs = { isYours: false, turn: "second", round: null };
    expect(afterReply(held, null, theirs, ms, NOW)).toEqual(fresh);
    const more = answeredRound(held, "linnet", 7);
    expect(afterReply(more, null, theirs, ms, NOW)).toMatchObject({ answers: { linnet: 7 }, turn: null });
    // One that was never told is all this device's own.
    expect(afterReply(begun, null, theirs, ms, NOW)).toEqual(begun);
    // Another tab of this browser keeps it in the same place.
    expect(afterReply(held, null, { ...theirs, turn: "first" }, ms, NOW)).toBe(held);
  });

  it("takes the other's word where both have one, and its own where it has the only one", () => {
    const own = answeredRound(answeredRound(fresh, "wren", 1), "robin", 2);
    const taken = afterReply(own, null, { isYours: true, turn: "second", round: bens }, ms, NOW);
    expect(taken).toMatchObject({
      ...{ id: R, startedAt: 500, turn: "second", away: ["teal"] },
      answers: { wren: 4, linnet: 5, robin: 2 },
      // If it goes on to a third device before anything is told, that is all that goes with it.
      told: { id: R, answers: bens.answers },
    });
  });

  it("that another device has finished meanwhile leaves nothing to finish here", () => {
    const reply = { isYours: true, turn: "third", round: null };
    expect(afterReply(held, null, reply, ms, NOW)).toEqual({ ...fresh, turn: "third" });
  });

  it("of another drill is that drill's alone, with its clock", () => {
    const other: RoundCounted = { ...bens, drill: hold, heldFrom: iso(700) };
    const taken = afterReply(begun, null, { isYours: true, turn: "second", round: other }, ms, NOW);
    expect(taken).toMatchObject({ drill: hold, heldFrom: 700, startedAt: 500, answers: bens.answers });
  });

  it("keeps a clock that was started before the first answer of the server's", () => {
    const started = { ...begunRound(fresh, R, 1000), heldFrom: 1000 };
    const reply = { isYours: true, turn: "first", round: null };
    expect(afterReply(started, null, reply, ms, NOW)).toMatchObject({ heldFrom: 1000, turn: "first" });
  });

  it("that was finished here does not come back by a word that was lost", () => {
    const after = freshRound("left", streak, R);
    const reply = { isYours: true, turn: "second", round: bens };
    expect(afterReply(after, null, reply, ms, NOW)).toEqual({ ...after, turn: "second" });
  });
});

describe("a round that was left on over night", () => {
  it("does not come back with the answer of the server that still has it", () => {
    const reply = { isYours: true, turn: "second", round: bens };
    const morning = NOW + 14 * 3_600_000;
    expect(afterReply(fresh, null, reply, ms, morning)).toEqual({ ...fresh, turn: "second" });
  });
});

const DEVICES = 3;
const STUDENTS = 4;
const device = fc.integer({ min: 0, max: DEVICES - 1 });
/** Whether what is told, or its answer, is lost on the way. */
const way = fc.constantFrom("arrives", "arrives", "request-lost", "reply-lost");
const step = fc.oneof(
  fc.record({ kind: fc.constant("answer" as const), device, student: fc.nat(STUDENTS - 1) }),
  fc.record({ kind: fc.constant("say" as const), device, way, takesOver: fc.boolean() }),
  fc.record({ kind: fc.constant("leave" as const), device, way }),
  fc.record({ kind: fc.constant("finish" as const), device, way }),
);
type Step = typeof step extends fc.Arbitrary<infer T> ? T : never;

/** Several devices at one station, and the server between them. */
function history(steps: readonly Step[]) {
  let place: Holding<RoundCounted> | null = null;
  let now = 0;
  let value = 0;
  const kept = Array.from({ length: DEVICES }, () => fresh);
  const tapped = new Map<string, number[]>();
  const sets = new Map<string, { readonly student: string; readonly value: unknown }>();
  const twice: unknown[] = [];
  const at = (which: number) => kept[which] ?? fresh;
  const say = (which: number, takesOver: boolean, way: string) => {
    if (way === "request-lost") return;
    const told = countedOf(at(which), iso);
    const tab = `tab ${which}`;
    const { turn } = at(which);
    place = heldAfter(place, { tab, personId: "somebody", turn, takesOver, round: told }, uuid(), now);
    if (way === "reply-lost") return;
    const isYours = place.tab === tab;
    const round = isYours && place.turn !== turn ? place.round : null;
    kept[which] = afterReply(at(which), told, { isYours, turn: place.turn, round }, ms, now);
  };
  const leave = (which: number, isFinished: boolean, way: string) => {
    if (way !== "request-lost" && place !== null)
      place = leftAfter(place, { tab: `tab ${which}`, isFinished }, now);
  };
  const finish = (which: number, way: string) => {
    const { id, answers, turn } = at(which);
    if (id === null || Object.keys(answers).length === 0) return;
    for (const [student, given] of Object.entries(answers)) {
      const setId = setIdOf(id, student);
      // The log takes an id once.
      if (sets.has(setId)) continue;
      if ([...sets.values()].some((set) => set.value === given)) twice.push(given);
      sets.set(setId, { student, value: given });
    }
    kept[which] = { ...freshRound("left", streak, id), turn };
    leave(which, true, way);
  };
  const act = (one: Step) => {
    now += 1000;
    switch (one.kind) {
      case "answer": {
        value += 1;
        const student = `student ${one.student}`;
        kept[one.device] = answeredRound(begunRound(at(one.device), uuid(), now), student, value);
        tapped.set(student, [...(tapped.get(student) ?? []), value]);
        return;
      }
      case "say":
        say(one.device, one.takesOver, one.way);
        return;
      case "leave":
        leave(one.device, false, one.way);
        return;
      case "finish":
        finish(one.device, one.way);
    }
  };
  steps.forEach(act);
  // In the end everybody is in reach, and whoever has anything left finishes it.
  for (let which = 0; which < DEVICES; which += 1) {
    say(which, true, "arrives");
    say(which, false, "arrives");
    finish(which, "arrives");
  }
  return { tapped, sets: [...sets.values()], twice };
}

describe("a round between devices that lose touch, take over, leave and finish", () => {
  it("loses nobody's answer, and makes two sets of none", () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        const { tapped, sets, twice } = history(steps);
        expect(twice).toEqual([]);
        for (const [student, values] of tapped) {
          const own = sets.filter((set) => set.student === student);
          expect(own.length).toBeGreaterThan(0);
          for (const set of own) expect(values).toContain(set.value);
        }
      }),
      { numRuns: 2000 },
    );
  });
});
