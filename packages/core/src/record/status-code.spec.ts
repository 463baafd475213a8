import { describe, expect, it } from "@jest/globals";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { readingWith } from "../testing/small-reading.js";
import type { Standing, Status } from "./standing.js";
import { decodeStatuses, statusCodes } from "./status-code.js";

const [PLAIN] = readingWith(catalogueOf(["a", "one", ""]), [], {
  school: { ...FIVE_IN_A_ROW, gates: { ...FIVE_IN_A_ROW.gates, base: { kind: "streak", count: 20 } } },
}).standings;

function standing(status: Status, gateBest = 0, isStuck = false): Standing {
  if (PLAIN === undefined) throw new Error("no side");
  return { ...PLAIN, status, facts: { ...PLAIN.facts, gateBest }, isStuck };
}

describe("status codes", () => {
  it("say every status, the tenths of the gate and stuck, in a character a side", () => {
    const standings = [
      standing("locked"),
      standing("ready"),
      standing("working", 7),
      standing("working", 20),
      standing("working", 1, true),
      standing("cleared"),
      standing("inferred"),
      standing("rusty"),
    ];
    const codes = statusCodes(standings);
    expect(codes).toBe("-o39Acir");
    expect(decodeStatuses(codes).map((one) => one.status)).toEqual(standings.map((one) => one.status));
    expect(decodeStatuses("3A")).toMatchObject([{ tenths: 3 }, { tenths: 0, isStuck: true }]);
  });

  it("refuse what they do not know", () => {
    expect(() => decodeStatuses("c?")).toThrow('"?" is no status code');
  });
});
