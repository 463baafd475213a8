import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { CLASS_ASKED, HELPER, ropesOf, studentOf } from "../testing/small-class.js";
import { planClass } from "./class-plan.js";
import type { ClassAsked, ClassPlan, ClassStudent, PlannedStudent } from "./class.js";
import { CLASS_LIMITS, CLASS_WEIGHTS } from "./weights.js";

/** Four beginners who bounce, four who cross, and all may bounce. */
const MIXED: readonly ClassStudent[] = [
  ...["a", "b", "c", "d"].map((id) => studentOf(id, ["bounce 0.9", "step 0.6"])),
  ...["e", "f", "g", "h"].map((id) =>
    studentOf(id, ["bounce 0.1 keep", "cross 0.9 swings", "step 0.1 keep"]),
  ),
];

/** What somebody may do beside bouncing, up to four things, each worked at in one of these ways. */
const personOf = (...ways: readonly string[]) =>
  fc.uniqueArray(
    fc
      .tuple(
        fc.constantFrom("step", "cross", "swing", "double", "fused"),
        fc.constantFrom("0.2", "0.5", "0.9"),
        fc.constantFrom(...ways),
      )
      .map((words) => words.join(" ").trim()),
    { maxLength: 4, selector: (one) => one.split(" ")[0] },
  );

const codes = ({ faults }: ClassPlan) => faults.map((fault) => fault.code);

function skillAt(plan: ClassPlan, student: PlannedStudent, turn: number): string | null {
  const place = student.places[turn];
  return place === null || place === undefined
    ? null
    : (plan.rotations[turn]?.stations[place.station]?.subject ?? null);
}

/** Worked out from the finished plan alone, by the rules as they are written down. */
function usefulOf(plan: ClassPlan, students: readonly ClassStudent[]): number {
  return plan.students.reduce((sum, student) => {
    const options = students.find((one) => one.id === student.id)?.options ?? [];
    const done = plan.rotations.map((_, turn) =>
      options.find((option) => option.subject === skillAt(plan, student, turn)),
    );
    return done.reduce((total, option, turn) => {
      if (option === undefined) return total;
      const again = done.slice(0, turn).filter((one) => one?.subject === option.subject).length;
      const tired = done[turn - 1]?.effort === option.effort ? CLASS_WEIGHTS.sameEffort : 1;
      const minutes = (plan.rotations[turn]?.minutes ?? 0) - CLASS_LIMITS.change;
      return total + option.worth * minutes * CLASS_WEIGHTS.again ** again * tired;
    }, sum);
  }, 0);
}

/** Nothing but what every plan has to keep to. */
function expectSound(plan: ClassPlan, students: readonly ClassStudent[], asked: ClassAsked): void {
  for (const student of plan.students) {
    const options = students.find((one) => one.id === student.id)?.options ?? [];
    plan.rotations.forEach((_, turn) => {
      expect(options.map((one) => one.subject)).toContain(skillAt(plan, student, turn));
    });
  }
  plan.rotations.forEach(({ stations }, turn) => {
    const jumping = stations.map((_, number) =>
      Math.ceil(plan.students.filter((one) => one.places[turn]?.station === number).length / 2),
    );
    expect(jumping.reduce((sum, one) => sum + one, 0)).toBeLessThanOrEqual(plan.room ?? Infinity);
    const needing = new Set<number>();
    stations.forEach((station, number) => {
      const here = plan.students.filter((one) => one.places[turn]?.station === number);
      expect(station.subject === null).toBe(here.length === 0);
      for (const { id } of here) {
        const option = students
          .find((one) => one.id === id)
          ?.options.find((one) => one.subject === station.subject);
        if (option?.watch === "coach") needing.add(number);
      }
    });
    expect(needing.size).toBeLessThanOrEqual(asked.coaches);
    const watching = (watch: string) => stations.filter((one) => one.watchedBy === watch).length;
    expect(watching("coach")).toBe(needing.size);
    expect(watching("helper")).toBeLessThanOrEqual(asked.helpers.length);
    for (const number of needing) expect(stations[number]?.watchedBy).toBe("coach");
  });
}

describe("a class plan", () => {
  it("has everybody at something of use, and is worth more than one drill for all", () => {
    const plan = planClass(CLASS_ASKED, MIXED);
    expect(plan.faults).toEqual([]);
    expectSound(plan, MIXED, CLASS_ASKED);
    expect(plan.useful).toBeGreaterThan(plan.sameForAll);
    expect(plan.useful).toBeLessThanOrEqual(plan.most + 1e-9);
    expect(plan.students.map((one) => one.id)).toEqual(MIXED.map((one) => one.id));
    const crosser = plan.students.find((one) => one.id === "e") ?? { id: "e", places: [] };
    expect(plan.rotations.map((_, turn) => skillAt(plan, crosser, turn))).toContain("cross");
  });

  it("is the same for the same question", () => {
    expect(planClass(CLASS_ASKED, MIXED)).toEqual(planClass(CLASS_ASKED, MIXED));
  });

  it("keeps to what every plan has to keep to, whoever comes", () => {
    const person = personOf("", "show", "keep", "review", "coach", "helper", "hard coach", "multiples");
    fc.assert(
      fc.property(
        fc.array(person, { minLength: 1, maxLength: 9 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 0, max: 2 }),
        (people, stations, coaches) => {
          const students = people.map((options, place) =>
            studentOf(`student ${place}`, [...options, "bounce 0.1 keep"]),
          );
          const floor = { widthMetres: 12, lengthMetres: 15 };
          const asked = { ...CLASS_ASKED, minutes: 24, stations, coaches, floor };
          const plan = planClass(asked, students);
          expect(codes(plan)).toEqual([]);
          expectSound(plan, students, asked);
          expect(plan.useful).toBeLessThanOrEqual(Math.min(plan.most, usefulOf(plan, students)) + 1e-6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it("finds the best plan of a small class, as trying all of them does", () => {
    const skills = ["bounce", "cross"];
    const students = [
      studentOf("a", ["bounce 0.9", "cross 0.2 swings"]),
      studentOf("b", ["bounce 0.8", "cross 0.3 swings"]),
      studentOf("c", ["bounce 0.1", "cross 0.9 swings"]),
      studentOf("d", ["bounce 0.2", "cross 0.7 swings"]),
    ];
    const asked = { ...CLASS_ASKED, minutes: 23, stations: 2 };
    const plan = planClass(asked, students);
    const minutes = plan.rotations.map((one) => one.minutes - CLASS_LIMITS.change);
    // With both skills open in both turns: each student's skill in each turn, and who would be alone.
    let best = 0;
    for (let code = 0; code < 2 ** 8; code += 1) {
      const at = (student: number, turn: number) => (code >> (2 * student + turn)) & 1;
      let value = 0;
      students.forEach(({ options }, student) => {
        minutes.forEach((many, turn) => {
          const option = options.find((one) => one.subject === skills[at(student, turn)]);
          const isAgain = turn === 1 && at(student, 0) === at(student, 1);
          const factor = isAgain ? CLASS_WEIGHTS.again * CLASS_WEIGHTS.sameEffort : 1;
          value += (option?.worth ?? 0) * many * factor;
        });
      });
      minutes.forEach((many, turn) => {
        const crossing = students.filter((_, student) => at(student, turn) === 1).length;
        if (crossing === 1 || crossing === 3) value -= CLASS_WEIGHTS.alone * many;
      });
      best = Math.max(best, value);
    }
    expect(plan.useful).toBeCloseTo(best, 6);
  });

  it("puts who has just cleared a skill with who is ready for it", () => {
    const students = [
      studentOf("shower", ["bounce 0.1 keep", "cross 0.4 show swings"]),
      studentOf("learner", ["bounce 0.1 keep", "cross 0.9 swings"]),
    ];
    const plan = planClass({ ...CLASS_ASKED, minutes: 15, stations: 2 }, students);
    for (const student of plan.students) expect(skillAt(plan, student, 0)).toBe("cross");
  });

  it("has no more jump at once than the floor has circles for, and says when it is too small", () => {
    const floor = { widthMetres: 6, lengthMetres: 6 };
    const plan = planClass({ ...CLASS_ASKED, floor, stations: 2 }, MIXED);
    expect(plan.room).toBe(4);
    expectSound(plan, MIXED, CLASS_ASKED);
    const small = planClass({ ...CLASS_ASKED, floor: { widthMetres: 3, lengthMetres: 3 } }, MIXED);
    expect(small.faults).toEqual([{ code: "floor-too-small", holds: 2 }]);
    expect(small.rotations).toEqual([]);
  });

  it("has a hard skill learned only where a coach stands", () => {
    const students = ["a", "b", "c", "d"].map((id) => studentOf(id, ["bounce 0.1", "fused 0.9 coach hard"]));
    const with1 = planClass({ ...CLASS_ASKED, coaches: 1 }, students);
    expect(with1.rotations.some((turn) => turn.stations.some((one) => one.subject === "fused"))).toBe(true);
    const without = planClass({ ...CLASS_ASKED, coaches: 0 }, students);
    expect(codes(without)).toEqual([]);
    expect(without.rotations.flatMap((turn) => turn.stations.map((one) => one.subject))).not.toContain(
      "fused",
    );
  });

  it("tries the new, hard skill in the half that the setting names", () => {
    const students = ["a", "b"].map((id) => studentOf(id, ["bounce 0.3", "fused 0.9 coach hard swings"]));
    const halfOf = (hardSkill: "late" | "early") => {
      const { rotations } = planClass({ ...CLASS_ASKED, minutes: 23, hardSkill }, students);
      return rotations.findIndex((turn) => turn.stations.some((one) => one.subject === "fused"));
    };
    expect(halfOf("early")).toBe(0);
    expect(halfOf("late")).toBe(1);
  });

  it("keeps a growing jumper's multiples within the lesson's allowance", () => {
    const students = ["a", "b"].map((id) =>
      studentOf(id, ["bounce 0.2", "double 0.9 multiples"], { multiplesLeft: 150 }),
    );
    const plan = planClass(CLASS_ASKED, students);
    const turns = plan.rotations.filter((turn) => turn.stations.some((one) => one.subject === "double"));
    expect(turns).toHaveLength(1);
    expect(codes(plan)).toEqual([]);
  });

  it("does without what is banned", () => {
    const plan = planClass({ ...CLASS_ASKED, bans: ["cross"] }, MIXED);
    expect(plan.rotations.flatMap((turn) => turn.stations.map((one) => one.subject))).not.toContain("cross");
    const all = planClass({ ...CLASS_ASKED, bans: ["bounce", "cross", "step"] }, MIXED);
    expect(all.faults).toEqual([{ code: "nothing-open", students: MIXED.map((one) => one.id) }]);
  });

  it("keeps what is pinned and plans the rest around it", () => {
    const asked: ClassAsked = {
      ...CLASS_ASKED,
      stationPins: [{ rotation: 1, station: 2, subject: "step" }],
      placePins: [{ rotation: 1, station: 2, student: "e" }],
    };
    const plan = planClass(asked, MIXED);
    expect(plan.rotations[1]?.stations[2]?.subject).toBe("step");
    expect(plan.students.find((one) => one.id === "e")?.places[1]?.station).toBe(2);
    expectSound(plan, MIXED, asked);
    // The search is no proof: with a pin it may come upon a plan that it missed without, within a little.
    expect(plan.useful).toBeLessThanOrEqual(1.02 * planClass(CLASS_ASKED, MIXED).useful);
  });

  it("has something done that suits whoever is put at a station", () => {
    // Only this one steps, and only steps; the others would have the stations bounce and cross.
    const odd = studentOf("odd", ["step 0.1 keep"]);
    const placePins = [0, 1, 2, 3].map((rotation) => ({ rotation, station: 1, student: "odd" }));
    const asked: ClassAsked = { ...CLASS_ASKED, stations: 2, placePins };
    const students = [...MIXED, odd];
    const plan = planClass(asked, students);
    expect(plan.faults).toEqual([]);
    expectSound(plan, students, asked);
    for (const { rotation } of placePins) {
      expect(plan.students.find((one) => one.id === "odd")?.places[rotation]?.station).toBe(1);
    }
  });

  it("refuses a pin to a skill that is locked for the student, and says so", () => {
    const pin = { rotation: 0, station: 1, student: "a" };
    const asked: ClassAsked = {
      ...CLASS_ASKED,
      stationPins: [{ rotation: 0, station: 1, subject: "cross" }],
      placePins: [pin],
    };
    const plan = planClass(asked, MIXED);
    expect(plan.faults).toEqual([{ code: "pin-refused", pin }]);
    expectSound(plan, MIXED, asked);
  });

  it("goes on from turns that were done, with who is there now", () => {
    const first = planClass(CLASS_ASKED, MIXED);
    const before = { rotations: first.rotations.slice(0, 2), students: first.students };
    const left = MIXED.filter((one) => one.id !== "a").map((one) =>
      one.id === "h" ? { ...one, until: 4 } : one,
    );
    const late = studentOf("late", ["bounce 0.9"], { from: 2 });
    const plan = planClass(CLASS_ASKED, [...left, late], before);
    expect(plan.rotations.slice(0, 2)).toEqual(before.rotations);
    const placesOf = (id: string) => plan.students.find((one) => one.id === id)?.places ?? [];
    expect(placesOf("b").slice(0, 2)).toEqual(
      first.students.find((one) => one.id === "b")?.places.slice(0, 2),
    );
    expect(placesOf("late").slice(0, 2)).toEqual([null, null]);
    expect(placesOf("late").slice(2)).not.toContain(null);
    expect(
      placesOf("h")
        .slice(4)
        .every((place) => place === null),
    ).toBe(true);
    expect(plan.students.map((one) => one.id)).not.toContain("a");
  });

  describe("of people as they come", () => {
    const person = personOf("", "begun", "show", "keep", "review", "coach", "helper", "swings begun");
    const people = fc.array(person, { minLength: 2, maxLength: 9 });
    const classOf = (list: readonly (readonly string[])[]) =>
      list.map((options, place) => studentOf(`student ${place}`, [...options, "bounce 0.1 keep"]));
    const usual: ClassAsked = {
      ...CLASS_ASKED,
      minutes: 31,
      stations: 2,
      coaches: 1,
      helpers: [],
      ropes: ropesOf(3),
    };

    it("is never worth less for more stations, coaches, helpers, ropes or floor", () => {
      fc.assert(
        fc.property(people, (list) => {
          const students = classOf(list);
          const { useful } = planClass(usual, students);
          const more: readonly Partial<ClassAsked>[] = [
            { stations: 3 },
            { coaches: 2 },
            { helpers: [HELPER] },
            { ropes: ropesOf(4) },
            { ropes: null },
            { floor: { widthMetres: 60, lengthMetres: 60 } },
          ];
          for (const changes of more) {
            // The search is no proof: it may miss by a little what it came upon with less.
            expect(planClass({ ...usual, ...changes }, students).useful).toBeGreaterThanOrEqual(
              0.98 * useful,
            );
          }
        }),
        { numRuns: 8 },
      );
    });

    it("is the same whatever the students are called, and in whatever order they stand", () => {
      fc.assert(
        fc.property(people, fc.nat(), (list, turn) => {
          const students = classOf(list);
          const others = students
            .map((one, place) => ({ ...one, id: `other ${(place * 7 + turn) % 100} ${place}` }))
            .sort((one, other) => (one.id < other.id ? -1 : 1));
          const [plan, same] = [planClass(usual, students), planClass(usual, others)];
          expect(same.rotations).toEqual(plan.rotations);
          expect(same.useful).toBe(plan.useful);
          expect(same.students.map((one) => one.id)).toEqual(others.map((one) => one.id));
        }),
        { numRuns: 12 },
      );
    });

    it("is held against one drill for everybody by the same losses: where there is one drill, they are the same", () => {
      const alike = Array.from({ length: 14 }, (_, place) =>
        studentOf(`${place}`, ["bounce 0.9 begun helper"]),
      );
      for (const changes of [{}, { ropes: ropesOf(3) }, { helpers: [], coaches: 0 }]) {
        const plan = planClass({ ...usual, stations: 3, ...changes }, alike);
        expect(plan.useful).toBeCloseTo(plan.sameForAll, 6);
        expect(plan.useful).toBeLessThan(plan.most);
      }
    });
  });

  it("gives what somebody has begun at least half of their turns", () => {
    const students = ["a", "b", "c", "d"].map((id) =>
      studentOf(id, ["step 0.9", "swing 0.9 swings", "cross 0.5 begun multiples", "double 0.4 begun"]),
    );
    const plan = planClass({ ...CLASS_ASKED, stations: 4 }, students);
    for (const student of plan.students) {
      const skills = plan.rotations.map((_, turn) => skillAt(plan, student, turn));
      const begun = skills.filter((skill) => skill === "cross" || skill === "double").length;
      expect(2 * begun).toBeGreaterThanOrEqual(skills.length);
    }
  });

  it("is worth less with fewer ropes than pairs, and then turns to what takes none", () => {
    const students = ["a", "b", "c", "d", "e", "f"].map((id) =>
      studentOf(id, ["bounce 0.9", "cross 0.6 shadow swings"]),
    );
    const usefulWith = (ropes: number | null) =>
      planClass({ ...CLASS_ASKED, ropes: ropes === null ? null : ropesOf(ropes) }, students);
    const [none, one, three, all] = [0, 1, 3, null].map(usefulWith);
    expect(one?.useful).toBeGreaterThan(none?.useful ?? 0);
    expect(three?.useful).toBeGreaterThan(one?.useful ?? 0);
    expect(all?.useful).toBeCloseTo(three?.useful ?? 0, 6);
    const crossing = (plan: ClassPlan | undefined) =>
      plan?.students.flatMap((student) =>
        plan.rotations.filter((_, turn) => skillAt(plan, student, turn) === "cross"),
      ).length ?? 0;
    expect(crossing(none)).toBeGreaterThan(crossing(all));
  });

  it("lets a helper lead what they may, where there are too few coaches", () => {
    const students = ["a", "b", "c", "d"].map((id) =>
      studentOf(id, ["bounce 0.1", "fused 0.9 coach hard multiples", "cross 0.8 coach swings"]),
    );
    const led = (mayLead: readonly ("crosses" | "multiples")[]) =>
      planClass({ ...CLASS_ASKED, coaches: 0, helpers: [{ mayLead }] }, students);
    const doneIn = (plan: ClassPlan) =>
      new Set(plan.rotations.flatMap((turn) => turn.stations.map((one) => one.subject)));
    expect(doneIn(led([]))).toEqual(new Set(["bounce", null]));
    expect(doneIn(led(["crosses"])).has("cross")).toBe(true);
    expect(doneIn(led(["crosses"])).has("fused")).toBe(false);
    const both = led(["crosses", "multiples"]);
    expect(doneIn(both).has("fused")).toBe(true);
    expect(codes(both)).toEqual([]);
    const watches = both.rotations.flatMap((turn) =>
      turn.stations.flatMap((one) =>
        one.subject === "fused" || one.subject === "cross" ? [one.watchedBy] : [],
      ),
    );
    expect(new Set(watches)).toEqual(new Set(["helper"]));
  });

  describe("with pairs", () => {
    const four = (changes: readonly Partial<ClassStudent>[]) =>
      ["a", "b", "c", "d"].map((id, place) =>
        studentOf(id, ["bounce 0.9", "cross 0.8 swings"], changes[place]),
      );
    const isTogether = (plan: ClassPlan, turn: number) => {
      const [one, other] = ["a", "b"].map((id) => plan.students.find((student) => student.id === id));
      return one?.places[turn]?.station === other?.places[turn]?.station;
    };

    it("keeps apart who quarrel, and together who belong together", () => {
      const asked = { ...CLASS_ASKED, stations: 2 };
      const apart = planClass(asked, four([{ apart: ["b"] }]));
      const together = planClass(asked, four([{ together: ["b"] }]));
      for (const turn of apart.rotations.keys()) {
        expect(isTogether(apart, turn)).toBe(false);
        expect(isTogether(together, turn)).toBe(true);
      }
      expect([...codes(apart), ...codes(together)]).toEqual([]);
    });

    it("says where it cannot", () => {
      const asked = { ...CLASS_ASKED, minutes: 15, stations: 1 };
      expect(planClass(asked, four([{ apart: ["b"] }])).faults).toEqual([
        { code: "not-apart", rotation: 0, students: ["a", "b"] },
      ]);
      const students = [
        studentOf("a", ["bounce 0.9"], { together: ["b"] }),
        studentOf("b", ["cross 0.9"]),
        studentOf("c", ["bounce 0.9", "cross 0.1"]),
      ];
      expect(planClass({ ...asked, stations: 2 }, students).faults).toEqual([
        { code: "not-together", rotation: 0, students: ["a", "b"] },
      ]);
    });
  });

  it("has who is too tall for the ropes do what takes none, and the others jump", () => {
    const students = [2000, 2000, 2600, 2600].map((ropeMm, place) =>
      studentOf(`${place}`, ["bounce 0.9", "cross 0.5 shadow swings"], { ropeMm }),
    );
    const ropes = [{ kind: null, lengthMm: 2000, many: 2 }];
    const plan = planClass({ ...CLASS_ASKED, minutes: 15, stations: 2, ropes }, students);
    expect(plan.students.map((one) => skillAt(plan, one, 0))).toEqual(["bounce", "bounce", "cross", "cross"]);
    const brought = students.map((one) => ({ ...one, hasOwnRope: one.ropeMm === 2600 }));
    const own = planClass({ ...CLASS_ASKED, minutes: 15, stations: 2, ropes }, brought);
    expect(own.students.map((one) => skillAt(own, one, 0))).toEqual(["bounce", "bounce", "bounce", "bounce"]);
  });

  it("lets nobody change place who need not", () => {
    const students = [
      ...["a", "b", "c"].map((id) => studentOf(id, ["bounce 0.9", "step 0.8 swings"])),
      ...["d", "e", "f"].map((id) => studentOf(id, ["cross 0.9", "double 0.8 swings"])),
    ];
    const plan = planClass({ ...CLASS_ASKED, stations: 2 }, students);
    for (const { places } of plan.students) {
      expect(new Set(places.map((place) => place?.station)).size).toBe(1);
    }
  });

  it("reports on its way with a plan that could be used", () => {
    const shares: number[] = [];
    planClass(CLASS_ASKED, MIXED, undefined, (share, best) => {
      shares.push(share);
      expectSound(best, MIXED, CLASS_ASKED);
    });
    expect(shares.length).toBeGreaterThan(10);
    expect([...shares].sort((one, other) => one - other)).toEqual(shares);
  });

  it.each<[Partial<ClassAsked>, readonly ClassStudent[], string]>([
    [{ minutes: 0 }, MIXED, "no-minutes"],
    [{}, [], "no-students"],
    [{ stations: 0 }, MIXED, "no-stations"],
    [
      {},
      Array.from({ length: 61 }, (_, place) => studentOf(`${place}`, ["bounce 0.5"])),
      "too-many-students",
    ],
  ])("answers %j with an empty plan and the reason", (changes, students, code) => {
    const plan = planClass({ ...CLASS_ASKED, ...changes }, students);
    expect(codes(plan)).toEqual([code]);
    expect(plan.rotations).toEqual([]);
  });
});
