import { CATALOGUE, FAULTS } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { byName, FAULT_CODES } from "@mirrup/core";
import { faultsOf, otherFaults } from "./faults-of.js";

describe("the faults that a miss may be given", () => {
  it("are all there for every skill, each once, and no more than there are keys before the list", () => {
    for (const subject of CATALOGUE.skills.keys()) {
      const [usual, others] = [faultsOf(subject), otherFaults(subject)];
      expect(usual.length).toBeLessThanOrEqual(9);
      expect([...usual, ...others].sort()).toEqual([...FAULT_CODES].sort());
    }
  });

  it("begin with the usual ones, and the others stand by their names", () => {
    expect(faultsOf("basic-bounce")[0]).toBe("toes");
    const named = otherFaults("basic-bounce").map((code) => FAULTS[code].name.toLowerCase());
    expect(named).toEqual([...named].sort(byName));
  });
});
