import { describe, expect, it } from "@jest/globals";
import { NO_FACTS } from "./evidence.js";
import type { Standing, Status } from "./standing.js";
import { decodeStatuses, statusCodes } from "./status-code.js";

function standing(status: Status, gateBest = 0, isStuck = false): Standing {
  const facts = { ...NO_FACTS, gateBest };
  const gate = { kind: "streak", count: 20 } as const;
  return { subject: "a", side: "whole", status, facts, cleanChance: 0.5, gate, unmet: [], isStuck };
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
