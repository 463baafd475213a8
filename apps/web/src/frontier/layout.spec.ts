import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { HEAD, layoutOf, neighbour, pathOf, ROW, type FrontierAsked, type FrontierLayout } from "./layout.js";

const bead = (subject: string, step: number, label = subject) => ({ subject, step, label, note: "" });

/** Beads in some columns, and cords that all lead to a later one. */
const arbitraryAsked: fc.Arbitrary<FrontierAsked> = fc
  .record({
    beads: fc.array(fc.record({ step: fc.integer({ min: 0, max: 5 }), letters: fc.nat(30) }), {
      minLength: 1,
      maxLength: 24,
    }),
    cords: fc.array(fc.tuple(fc.nat(23), fc.nat(23)), { maxLength: 40 }),
  })
  .map(({ beads, cords }) => {
    const made = beads.map(({ step, letters }, place) => bead(`s${place}`, step, "x".repeat(letters)));
    const tied = cords.flatMap(([one, other]) => {
      const [from, to] = [made[one], made[other]];
      return from !== undefined && to !== undefined && from.step < to.step
        ? [`${from.subject} ${to.subject}`]
        : [];
    });
    return {
      beads: made,
      cords: [...new Set(tied)].map((words) => {
        const [from = "", to = ""] = words.split(" ");
        return { from, to };
      }),
    };
  });

const always = (law: (layout: FrontierLayout, asked: FrontierAsked) => void) =>
  fc.assert(
    fc.property(arbitraryAsked, (asked) => law(layoutOf(asked), asked)),
    { numRuns: 60 },
  );

describe("a frontier's layout", () => {
  it("has every bead and every cord, inside of it", () => {
    always((layout, asked) => {
      expect(layout.beads.map(({ subject }) => subject)).toEqual(asked.beads.map(({ subject }) => subject));
      expect(layout.cords.map(({ from, to }) => [from, to])).toEqual(
        asked.cords.map(({ from, to }) => [from, to]),
      );
      for (const { x, y, width } of layout.beads) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x + width).toBeLessThanOrEqual(layout.width);
        expect(y - ROW / 2).toBeGreaterThanOrEqual(HEAD);
        expect(y + ROW / 2).toBeLessThanOrEqual(layout.height);
      }
    });
  });

  it("puts nothing over anything else, and what is as far away into one column", () => {
    always(({ beads, columns }) => {
      beads.forEach((one, place) => {
        for (const other of beads.slice(place + 1)) {
          expect(one.step === other.step).toBe(one.x === other.x);
          if (one.step === other.step) expect(Math.abs(one.y - other.y)).toBeGreaterThanOrEqual(ROW);
        }
      });
      columns.slice(1).forEach((column, place) => {
        const before = columns[place];
        expect((before?.x ?? 0) + (before?.width ?? 0)).toBeLessThan(column.x);
      });
    });
  });

  it("leads no cord through a bead or its label", () => {
    always(({ beads, cords }) => {
      for (const { from, to, runs } of cords) {
        const others = beads.filter(({ subject }) => subject !== from && subject !== to);
        for (const run of runs) {
          const isThrough = others.some(
            ({ x, y, width }) => run.from < x + width && run.to > x && Math.abs(run.y - y) < ROW / 2,
          );
          expect(isThrough).toBe(false);
        }
      }
    });
  });

  it("leads every cord out of the one and into the other, and never back", () => {
    always(({ beads, cords }) => {
      const yOf = (subject: string) => beads.find((one) => one.subject === subject)?.y;
      for (const { from, to, runs } of cords) {
        expect(runs.at(0)?.y).toBe(yOf(from));
        expect(runs.at(-1)?.y).toBe(yOf(to));
        const places = runs.flatMap((run) => [run.from, run.to]);
        // Out of the widest label of a column a cord has no way before the gap.
        expect(places.slice(1)).toEqual(places.slice(1).sort((one, other) => one - other));
      }
    });
  });

  it("puts those above each other that belong together", () => {
    const layout = layoutOf({
      beads: [bead("a", 0), bead("b", 0), bead("x", 1), bead("y", 1)],
      cords: [
        { from: "a", to: "y" },
        { from: "b", to: "x" },
      ],
    });
    const yOf = (subject: string) => layout.beads.find((one) => one.subject === subject)?.y ?? 0;
    expect(yOf("a") < yOf("b")).toBe(yOf("y") < yOf("x"));
  });

  it("of nothing is empty", () => {
    expect(layoutOf({ beads: [], cords: [] })).toMatchObject({ columns: [], beads: [], cords: [] });
  });
});

describe("a cord's path", () => {
  it("is level past beads and bends between columns", () => {
    const runs = [
      { from: 0, to: 10, y: 5 },
      { from: 30, to: 40, y: 25 },
    ];
    expect(pathOf({ runs })).toBe("M0 5 H10 C20 5 20 25 30 25 H40");
    expect(pathOf({ runs: [] })).toBe("");
  });
});

describe("walking by the arrows", () => {
  const layout = layoutOf({
    beads: [bead("a", 0), bead("b", 0), bead("x", 1), bead("y", 1), bead("z", 2)],
    cords: [
      { from: "a", to: "x" },
      { from: "y", to: "z" },
    ],
  });
  it("goes along a cord, else to the nearest", () => {
    expect(neighbour(layout, "a", "right")).toBe("x");
    expect(neighbour(layout, "x", "left")).toBe("a");
    expect(neighbour(layout, "z", "left")).toBe("y");
    expect(neighbour(layout, "x", "right")).toBe("z");
  });

  it("comes back up from wherever it went down, and stops at the edges", () => {
    for (const { subject } of layout.beads) {
      const down = neighbour(layout, subject, "down");
      if (down !== null) expect(neighbour(layout, down, "up")).toBe(subject);
    }
    expect(neighbour(layout, "a", "left")).toBeNull();
    expect(neighbour(layout, "z", "right")).toBeNull();
    expect(neighbour(layout, "no-such-bead", "up")).toBeNull();
  });
});
