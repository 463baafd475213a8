import type { NextItem } from "@mirrup/contract";
import type { Gate, RunnableDrill } from "@mirrup/core";
import { capital, drillWords, MISS_RULE_NAMES, proposalWords, subjectName } from "../app/words.js";
import { addressOf } from "./drill-address.js";
import { DrillChoice } from "./drill-choice.js";
import type { RunSubject } from "./floor-run.js";
import classes from "./floor.module.css";
import { FormNote } from "./form-note.js";
import type { FloorRun } from "./use-run.js";

const clock = new Intl.DateTimeFormat("en-GB", { timeStyle: "short" });

interface SetHeadingProps {
  readonly about: RunSubject;
  readonly floor: FloorRun;
  readonly gate: Gate;
  readonly proposed: RunnableDrill;
  readonly proposal: NextItem | undefined;
  /** What comes after this; undefined while it is not known. */
  readonly after: NextItem | undefined;
  readonly onChoose: (drill: RunnableDrill) => void;
}

/** Above the numerals: the drill, to be chosen until the first tap, and what is to be known of it. */
export function SetHeading({ about, floor, gate, proposed, proposal, after, onChoose }: SetHeadingProps) {
  const { drill, begun } = floor;
  const isProposed =
    proposal?.drill.kind === drill.kind && addressOf(drill).get("aim") === addressOf(proposed).get("aim");
  return (
    <div className={classes.top}>
      {begun ? (
        <p className={classes.drill}>
          {drillWords(drill)}
          {drill.kind === "climb" && `; after a miss: ${MISS_RULE_NAMES[drill.onMiss]}`}
        </p>
      ) : (
        <DrillChoice
          subject={about.subject}
          side={about.side}
          gate={gate}
          drill={drill}
          onChange={onChoose}
        />
      )}
      {!begun && isProposed && <p className={classes.note}>Proposed. {capital(proposalWords(proposal))}.</p>}
      {!begun && <FormNote subject={about.subject} side={about.side} drill={drill} />}
      {after !== undefined && (
        <p className={classes.then}>
          Then: {subjectName(after.subject, after.side)}, {drillWords(after.drill)}.
        </p>
      )}
      {floor.resumedFrom !== null && (
        <p className={classes.note}>
          Goes on from {clock.format(floor.resumedFrom)}, where it was left.{" "}
          <button type="button" className={classes.inline} onClick={floor.discard}>
            Begin afresh
          </button>
        </p>
      )}
      {floor.full && (
        <p className={classes.note} role="alert">
          This set is longer than a lesson. Finish it, and begin another.
        </p>
      )}
      {floor.unkept && (
        <p className={classes.note} role="alert">
          This browser refuses to keep the taps. Leave the page open, free some space or allow storage, and
          finish again.
        </p>
      )}
    </div>
  );
}
