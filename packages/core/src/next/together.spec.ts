import { describe, expect, it } from "@jest/globals";
import { catalogueOf } from "../testing/small-catalogue.js";
import type { Status } from "../record/standing.js";
import { usefulTogether } from "./together.js";

const CATALOGUE = catalogueOf(["a", "one", ""], ["b", "two", "a"], ["c", "one", "b both"]);

describe("what students could do together", () => {
  it("counts students, not sides, and puts what most can use first, the harder among equals", () => {
    const student = (a: Status, left: Status, right: Status, c: Status) => [
      { subject: "a", side: "whole" as const, status: a },
      { subject: "b", side: "left" as const, status: left },
      { subject: "b", side: "right" as const, status: right },
      { subject: "c", side: "whole" as const, status: c },
    ];
    const found = usefulTogether(CATALOGUE, [
      student("rusty", "ready", "working", "locked"),
      student("cleared", "cleared", "ready", "locked"),
      student("inferred", "cleared", "cleared", "ready"),
    ]);
    expect(found).toEqual([
      { subject: "b", students: [0, 1], reviews: 0 },
      { subject: "c", students: [2], reviews: 0 },
      { subject: "a", students: [0], reviews: 1 },
    ]);
  });
});
