import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { LABEL_BELOW, layoutOf, neighbour, type Direction } from "./layout.js";

const WIDTHS = [320, 836, 1280, 2000];
const beadsOf = (width: number) => {
  const layout = layoutOf(CATALOGUE, width);
  const beads = layout.families.flatMap(({ top, strands }) =>
    strands.flatMap((strand) => strand.beads.map((bead) => ({ ...bead, y: bead.y + top }))),
  );
  return { layout, beads };
};

describe("the map's layout", () => {
  it.each(WIDTHS)("places every skill once, within the map (%i px)", (width) => {
    const { layout, beads } = beadsOf(width);
    expect(beads.map((bead) => bead.skill.id).sort()).toEqual([...CATALOGUE.skills.keys()].sort());
    for (const { x, y } of beads) {
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(layout.width);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(layout.height);
    }
  });

  it.each(WIDTHS)("lets no two beads and labels overlap (%i px)", (width) => {
    const { layout, beads } = beadsOf(width);
    beads.forEach((one, place) => {
      for (const other of beads.slice(place + 1)) {
        const apart = Math.abs(one.x - other.x) >= layout.columnWidth - 1 || Math.abs(one.y - other.y) >= 60;
        expect([one.skill.id, other.skill.id, apart]).toEqual([one.skill.id, other.skill.id, true]);
      }
    });
  });

  it.each(WIDTHS)("leaves every family room for the labels of its last strand (%i px)", (width) => {
    for (const { height, strands, top } of layoutOf(CATALOGUE, width).families) {
      for (const { y } of strands) expect(y + LABEL_BELOW).toBeLessThan(height);
      expect(top).toBeGreaterThanOrEqual(0);
    }
  });

  it("is no wider than a tablet held upright has room for", () => {
    expect(layoutOf(CATALOGUE, 704).width).toBeCloseTo(704);
  });

  it("keeps the order of each strand from left to right", () => {
    for (const strand of layoutOf(CATALOGUE, 836).families.flatMap((family) => family.strands)) {
      const places = strand.beads.map((bead) => bead.x);
      expect(places).toEqual([...places].sort((one, other) => one - other));
      expect(strand.ropePath).toMatch(/^M\d/);
    }
  });

  it("walks to every bead with the arrows alone", () => {
    const { layout, beads } = beadsOf(836);
    const first = beads[0]?.skill.id ?? "";
    const reached = new Set([first]);
    const waiting = [first];
    const directions: readonly Direction[] = ["left", "right", "up", "down"];
    for (let from = waiting.pop(); from !== undefined; from = waiting.pop()) {
      for (const direction of directions) {
        const to = neighbour(layout, from, direction);
        if (to === null || reached.has(to)) continue;
        reached.add(to);
        waiting.push(to);
      }
    }
    expect(reached.size).toBe(CATALOGUE.skills.size);
    expect(neighbour(layout, "no-such-bead", "left")).toBeNull();
    expect(neighbour(layout, first, "left")).toBeNull();
  });
});
