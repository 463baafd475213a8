import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { cellOf, Grid } from "./grid.js";

describe("a grid", () => {
  it("gives back what was put last, and nothing else changes", () => {
    const size = fc.integer({ min: 1, max: 6 });
    const put = fc.tuple(fc.nat(5), fc.nat(5), fc.nat(99));
    fc.assert(
      fc.property(size, size, fc.array(put), (height, width, puts) => {
        const grid = new Grid<number | null>(height, width, () => null);
        const known = new Map<string, number>();
        for (const [row, column, value] of puts) {
          if (row >= height || column >= width) continue;
          grid.put(row, column, value);
          known.set(`${row} ${column}`, value);
        }
        const copy = grid.copy();
        grid.put(0, 0, -5);
        for (let row = 0; row < height; row += 1)
          for (let column = 0; column < width; column += 1)
            expect(copy.at(row, column)).toBe(known.get(`${row} ${column}`) ?? null);
        expect(copy.row(0)).toHaveLength(width);
      }),
    );
  });

  it.each([
    [-1, 0],
    [0, -1],
    [2, 0],
    [0, 3],
    [0.5, Number.NaN],
  ])("is not read or written outside, at row %d, column %d", (row, column) => {
    const grid = new Grid<number>(2, 3, () => 0);
    expect(() => grid.at(row, column)).toThrow(RangeError);
    expect(() => grid.put(row, column, 1)).toThrow(RangeError);
  });

  it("has rows of no cells where it has no columns", () => {
    expect(new Grid(2, 0, () => 0).row(1)).toEqual([]);
  });
});

describe("a cell of a list", () => {
  it("is what stands there, and an error where nothing can", () => {
    expect(cellOf([3, 0], 1)).toBe(0);
    expect(cellOf(new Float64Array([0.5]), 0)).toBe(0.5);
    expect(() => cellOf([], 0)).toThrow("place 0 of 0");
    expect(() => cellOf([1], -1)).toThrow(RangeError);
  });
});
