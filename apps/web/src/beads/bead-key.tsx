import type { Status } from "@mirrup/core/teaching";
import { STATUS_NAMES } from "../app/words.js";
import { Bead } from "./bead.js";
import type { BeadState } from "./bead-state.js";
import classes from "./bead-key.module.css";

const half = (status: Status) => ({ status, progress: status === "working" ? 0.5 : 0 });
const whole = (status: Status): BeadState => ({ kind: "whole", whole: half(status) });

const ENTRIES: readonly (readonly [string, BeadState])[] = [
  [STATUS_NAMES.locked, whole("locked")],
  [STATUS_NAMES.ready, whole("ready")],
  [STATUS_NAMES.working, whole("working")],
  [STATUS_NAMES.cleared, whole("cleared")],
  [`${STATUS_NAMES.rusty}: review due`, whole("rusty")],
  [STATUS_NAMES.inferred, whole("inferred")],
  ["stuck", { kind: "whole", whole: { ...half("working"), isStuck: true } }],
  ["left half, right half", { kind: "split", left: half("cleared"), right: half("ready") }],
];

/** What the beads' shapes mean. */
export function BeadKey() {
  return (
    <ul className={classes.key} aria-label="What the beads mean">
      {ENTRIES.map(([name, state]) => (
        <li key={name}>
          <Bead state={state} family="footwork" size={24} />
          {name}
        </li>
      ))}
    </ul>
  );
}
