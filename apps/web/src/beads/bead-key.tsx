import type { TermId } from "@mirrup/catalogue";
import type { Status } from "@mirrup/core/teaching";
import { Term } from "../app/term.js";
import { STATUS_NAMES } from "../app/words.js";
import { Bead } from "./bead.js";
import type { BeadState } from "./bead-state.js";
import classes from "./bead-key.module.css";

const half = (status: Status) => ({ status, progress: status === "working" ? 0.5 : 0 });
const whole = (status: Status): BeadState => ({ kind: "whole", whole: half(status) });

const ENTRIES: readonly (readonly [TermId, string, BeadState])[] = [
  ["locked", STATUS_NAMES.locked, whole("locked")],
  ["ready", STATUS_NAMES.ready, whole("ready")],
  ["working", STATUS_NAMES.working, whole("working")],
  ["cleared", STATUS_NAMES.cleared, whole("cleared")],
  ["rusty", `${STATUS_NAMES.rusty}: review due`, whole("rusty")],
  ["inferred", STATUS_NAMES.inferred, whole("inferred")],
  ["stuck", "stuck", { kind: "whole", whole: { ...half("working"), isStuck: true } }],
  ["side", "left half, right half", { kind: "split", left: half("cleared"), right: half("ready") }],
];

/** What the beads' shapes mean. */
export function BeadKey() {
  return (
    <ul className={classes.key} aria-label="What the beads mean">
      {ENTRIES.map(([id, name, state]) => (
        <li key={name}>
          <Bead state={state} family="footwork" size={24} />
          <Term id={id}>{name}</Term>
        </li>
      ))}
    </ul>
  );
}
