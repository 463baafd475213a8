import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { isMet, standingOf, type Reading } from "../record/standing.js";
import type { SideName } from "../sides.js";
import { catalogueOf, FIVE_IN_A_ROW, type Line } from "../testing/small-catalogue.js";
import { readingWith, type Known } from "../testing/small-reading.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { frontierOf, kinOfBead, type Frontier, type FrontierAsked, type StatusOfSides } from "./frontier.js";

const statusesOf =
  (reading: Reading): StatusOfSides =>
  (side) =>
    standingOf(reading, side);

type Lines = readonly Line[];

function frontier(lines: Lines, students: readonly (readonly Known[])[], asked?: FrontierAsked): Frontier {
  const catalogue = catalogueOf(...lines);
  const syllabus = syllabusOf({ catalogue, school: FIVE_IN_A_ROW });
  return frontierOf(
    syllabus,
    students.map((known) => statusesOf(readingWith(catalogue, known))),
    asked,
  );
}

const columns = ({ beads }: Frontier) =>
  Object.fromEntries(beads.map(({ subject, step }) => [subject, step]));
const written = (cords: Frontier["cords"]) => cords.map(({ from, to }) => `${from} ${to}`).sort();

const LINE: Lines = [
  ["a", "one", ""],
  ["b", "one", "a"],
  ["c", "one", "b; a"],
  ["d", "one", "c"],
  ["e", "one", "d"],
];

describe("the frontier of one student", () => {
  it("has what is cleared, what is open and what that opens, a column each", () => {
    const found = frontier(LINE, [[["a", "whole", 5]]]);
    expect(columns(found)).toEqual({ a: 0, b: 1, c: 2 });
    expect(found.cleared).toBe(1);
  });

  it("leaves out the cord that follows from two others, and keeps its need", () => {
    const found = frontier(LINE, [[["a", "whole", 5]]]);
    expect(written(found.cords)).toEqual(["a b", "b c"]);
    expect(written(found.needs)).toEqual(["a b", "a c", "b c"]);
  });

  it("shows only what of the cleared is asked for", () => {
    const lines: Lines = [...LINE, ["z", "one", ""]];
    const known: Known[] = [
      ["a", "whole", 5],
      ["z", "whole", 5],
    ];
    const found = frontier(lines, [known]);
    expect(columns(found)).not.toHaveProperty("z");
    expect(found.cleared).toBe(2);
  });

  it("looks further where more columns are asked for", () => {
    const known: Known[] = [["a", "whole", 5]];
    expect(columns(frontier(LINE, [known], { ahead: 0 }))).toEqual({ a: 0, b: 1 });
    expect(columns(frontier(LINE, [known], { ahead: null }))).toEqual({ a: 0, b: 1, c: 2, d: 3, e: 4 });
  });

  it("brings with what is asked all that it still needs, and of the cleared what it asks directly", () => {
    const lines: Lines = [["y", "one", ""], ["a", "one", "y"], ...LINE.slice(1), ["z", "one", "a"]];
    const known: Known[] = [
      ["y", "whole", 5],
      ["a", "whole", 5],
    ];
    const found = frontier(lines, [known], { ahead: null, isAsked: (subject) => subject === "d" });
    expect(columns(found)).toEqual({ a: 0, b: 1, c: 2, d: 3 });
  });

  it("counts a skill open by its nearest side, and cleared by both", () => {
    const lines: Lines = [
      ["a", "two", ""],
      ["b", "two", "a"],
    ];
    expect(columns(frontier(lines, [[["a", "left", 5]]]))).toEqual({ a: 1, b: 1 });
    const both: Known[] = [
      ["a", "left", 5],
      ["a", "right", 5],
    ];
    expect(columns(frontier(lines, [both]))).toEqual({ a: 0, b: 1 });
  });

  it("takes of an either the way that is there, or the nearest", () => {
    const lines: Lines = [
      ["a", "one", ""],
      ["b", "one", "a"],
      ["c", "one", "b / a"],
      ["f", "one", "b / c"],
    ];
    const found = frontier(lines, [[["a", "whole", 5]]]);
    expect(columns(found)).toEqual({ a: 0, b: 1, c: 1, f: 2 });
    expect(written(found.needs)).toEqual(["a b", "a c", "b f"]);
  });

  it("goes the way that was chosen, though another is as near", () => {
    const lines: Lines = [
      ["a", "one", ""],
      ["b", "one", ""],
      ["c", "one", "a / b"],
    ];
    const found = frontier(lines, [[]], { ahead: null, isAsked: (one) => one === "b" || one === "c" });
    expect(columns(found)).toEqual({ b: 1, c: 2 });
  });

  it("puts what waits for so many in a row behind what is open", () => {
    const lines: Lines = [
      ["a", "one", ""],
      ["b", "one", "a ≥ 9"],
    ];
    expect(columns(frontier(lines, [[["a", "whole", 5]]]))).toEqual({ a: 0, b: 2 });
  });

  it("is empty with nobody", () => {
    expect(frontier(LINE, [])).toEqual({ beads: [], cords: [], needs: [], cleared: 0 });
  });
});

describe("the frontier of several", () => {
  it("puts a skill where most of them have it, and says how many have it how", () => {
    const one: Known[] = [["a", "whole", 5]];
    const two: Known[] = [...one, ["b", "whole", 5]];
    const found = frontier(LINE, [[], one, two], { ahead: null });
    expect(columns(found)).toEqual({ a: 0, b: 1, c: 2, d: 3, e: 4 });
    const counts = found.beads.map(({ subject, cleared, open, next }) => [subject, cleared, open, next]);
    expect(counts.slice(0, 3)).toEqual([
      ["a", 2, 1, 0],
      ["b", 1, 1, 1],
      ["c", 0, 1, 1],
    ]);
  });

  it("takes nothing for cleared that half of them have not", () => {
    expect(columns(frontier(LINE, [[], [["a", "whole", 5]]]))).toMatchObject({ a: 1 });
  });

  it("counts who is stuck once", () => {
    const catalogue = catalogueOf(["a", "two", ""]);
    const syllabus = syllabusOf({ catalogue, school: FIVE_IN_A_ROW });
    const stuck: StatusOfSides = () => ({ status: "working", isStuck: true });
    const fresh: StatusOfSides = () => ({ status: "ready", isStuck: false });
    expect(frontierOf(syllabus, [stuck, fresh]).beads[0]?.stuck).toBe(1);
  });
});

describe("a bead's kin", () => {
  it("goes all the way down and up, and to no sibling", () => {
    const lines: Lines = [...LINE, ["s", "one", "a"]];
    const found = frontier(lines, [[]], { ahead: null });
    expect([...kinOfBead(found, "c")].sort()).toEqual(["a", "b", "c", "d", "e"]);
    expect([...kinOfBead(found, "s")].sort()).toEqual(["a", "s"]);
  });
});

/** Skills of which each may need some before it, plainly, by either, on the other side or so many in a row. */
const arbitraryLines = fc
  .array(
    fc.record({
      sides: fc.constantFrom("one", "two"),
      needs: fc.array(
        fc.record({
          of: fc.array(fc.nat(), { minLength: 1, maxLength: 2 }),
          how: fc.constantFrom("", " both", " other", " ≥ 9"),
        }),
        { maxLength: 3 },
      ),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((skills) =>
    skills.map(({ sides, needs }, place): Line => {
      const text = needs.flatMap(({ of, how }) => {
        if (place === 0) return [];
        const terms = [...new Set(of.map((number) => number % place))].map((number) => {
          const isTwo = skills[number]?.sides === "two";
          const fits = how === " ≥ 9" || (isTwo && (how !== " other" || sides === "two"));
          return `s${number}${fits ? how : ""}`;
        });
        return [terms.join(" / ")];
      });
      return [`s${place}`, sides, text.join("; ")];
    }),
  );

const arbitraryClass = fc.tuple(
  arbitraryLines,
  fc.array(fc.array(fc.tuple(fc.nat(11), fc.constantFrom("left", "right"), fc.constantFrom(2, 5, 9))), {
    minLength: 1,
    maxLength: 5,
  }),
);

function readingsOf(lines: readonly Line[], students: readonly (readonly [number, string, number][])[]) {
  const catalogue = catalogueOf(...lines);
  const syllabus = syllabusOf({ catalogue, school: FIVE_IN_A_ROW });
  const readings = students.map((own) => {
    const known = own.flatMap(([number, side, count]): Known[] => {
      const [id, sides] = lines[number] ?? [];
      return id === undefined ? [] : [[id, sides === "two" ? (side as SideName) : "whole", count]];
    });
    return readingWith(catalogue, known);
  });
  return { syllabus, readings };
}

const readingsAndFrontier = (...[lines, students]: Parameters<typeof readingsOf>) => {
  const { syllabus, readings } = readingsOf(lines, students);
  return { syllabus, readings, found: frontierOf(syllabus, readings.map(statusesOf), { ahead: null }) };
};

describe("whatever is taught, whoever is taught", () => {
  it("every cord leads to a later column", () => {
    fc.assert(
      fc.property(arbitraryClass, ([lines, students]) => {
        const { found } = readingsAndFrontier(lines, students);
        const step = columns(found);
        for (const { from, to } of found.cords) expect(step[from]).toBeLessThan(step[to] ?? 0);
      }),
    );
  });

  it("no cord can be done without, and none that can is lost: the same follows from the same", () => {
    fc.assert(
      fc.property(arbitraryClass, ([lines, students]) => {
        const { found } = readingsAndFrontier(lines, students);
        const step = columns(found);
        const reach = (cords: Frontier["cords"]) =>
          found.beads.map(({ subject }) => [...kinOfBead({ needs: cords }, subject)].sort());
        const onward = found.needs.filter(({ from, to }) => (step[from] ?? 0) < (step[to] ?? 0));
        expect(reach(found.cords)).toEqual(reach(onward));
        for (const cord of found.cords) {
          const rest = found.cords.filter((one) => one !== cord);
          expect(kinOfBead({ needs: rest }, cord.to).has(cord.from)).toBe(false);
        }
      }),
    );
  });

  it("one student's columns are what their reading says", () => {
    fc.assert(
      fc.property(arbitraryClass, ([lines, [student = []]]) => {
        const { syllabus, readings, found } = readingsAndFrontier(lines, [student]);
        const [reading] = readings;
        if (reading === undefined) throw new Error("no reading");
        const step = columns(found);
        for (const { skill } of syllabus.sides) {
          const statuses = syllabus.sidesOf(skill.id).map((side) => standingOf(reading, side).status);
          const isCleared = statuses.every(isMet);
          const isOpen = statuses.some((one) => one === "ready" || one === "working");
          if (isOpen) expect(step[skill.id]).toBe(1);
          else if (isCleared) expect(step[skill.id] ?? 0).toBe(0);
          else expect(step[skill.id]).toBeGreaterThan(1);
        }
      }),
    );
  });

  it("so many alike stand as one does, and in whatever order", () => {
    fc.assert(
      fc.property(arbitraryClass, fc.integer({ min: 2, max: 4 }), ([lines, students], times) => {
        const [student = []] = students;
        const one = readingsAndFrontier(lines, [student]).found;
        const many = readingsAndFrontier(
          lines,
          Array.from({ length: times }, () => student),
        ).found;
        expect(many.cords).toEqual(one.cords);
        expect(columns(many)).toEqual(columns(one));
        expect(many.beads.map(({ open }) => open)).toEqual(one.beads.map(({ open }) => open * times));
        const turned = readingsAndFrontier(lines, [...students].reverse()).found;
        expect(turned).toEqual(readingsAndFrontier(lines, students).found);
      }),
    );
  });
});
