/** The faults that a miss may be given: the skill's own, and all others. */
import { FAULTS } from "@mirrup/catalogue";
import { byName, FAULT_CODES, skillOf, type FaultCode } from "@mirrup/core";
import { catalogue } from "../app/catalogue.js";

const MOST = 9;

/** The faults that a miss of this skill is asked for, the usual ones first; one for each of the keys 1 to 9. */
export function faultsOf(subject: string): readonly FaultCode[] {
  return skillOf(catalogue(), subject).faults.slice(0, MOST);
}

/** All others, by their names. */
export function otherFaults(subject: string): readonly FaultCode[] {
  const usual = faultsOf(subject);
  return FAULT_CODES.filter((code) => !usual.includes(code)).sort((one, other) =>
    byName(FAULTS[one].name, FAULTS[other].name),
  );
}
