import { CATALOGUE, FAULTS } from "@mirrup/catalogue";
import { skillOf, type FaultCode } from "@mirrup/core";
import classes from "./fault-strip.module.css";

const MOST = 9;

/** The faults that a miss of this skill is asked for, the usual ones first; one for each of the keys 1 to 9. */
export function faultsOf(subject: string): readonly FaultCode[] {
  return skillOf(CATALOGUE, subject).faults.slice(0, MOST);
}

interface FaultStripProps {
  readonly subject: string;
  readonly onName: (fault: FaultCode) => void;
}

/** After a miss: why? One more tap, which may be left out. */
export function FaultStrip({ subject, onName }: FaultStripProps) {
  return (
    <div className={classes.strip} role="group" aria-label="Why did it miss?">
      <span className={classes.why}>Why?</span>
      {faultsOf(subject).map((fault, place) => (
        <button key={fault} type="button" className={classes.fault} onClick={() => onName(fault)}>
          <kbd>{place + 1}</kbd> {FAULTS[fault].name}
        </button>
      ))}
    </div>
  );
}
