import type { NextItem } from "@mirrup/contract";
import { DRILL_ROWS, type Drill, type Gate } from "@mirrup/core";
import { useMemo } from "react";
import { drillOfWords, drillWords, oddsWords } from "../app/drill-words.js";
import { MISS_RULE_NAMES, misfitWords, subjectName } from "../app/words.js";
import { useSettings } from "../students/index.js";
import { addressOf } from "../app/drill-address.js";
import { Coaching } from "./coaching.js";
import { DrillChoice } from "./drill-choice.js";
import type { RunSubject } from "../app/floor-run.js";
import classes from "./floor.module.css";
import { FormNote } from "./form-note.js";
import { Noted, useLastNoted } from "./last-note.js";
import { Resumed } from "./resumed.js";
import { Unkept } from "./unkept.js";
import type { FloorRun } from "./use-run.js";

interface SetHeadingProps {
  readonly about: RunSubject;
  readonly floor: FloorRun;
  readonly gate: Gate;
  readonly proposal: NextItem | undefined;
  /** What comes after this; undefined while it is not known. */
  readonly after: NextItem | undefined;
  /** Mm longer or (negative) shorter than fits; null where it is not known. */
  readonly ropeMisfitMm: number | null;
  readonly onChoose: (drill: Drill) => void;
}

/** Above the numerals: the drill, to be chosen until the first tap, and what is to be known of it. */
export function SetHeading({ about, floor, gate, proposal, after, ropeMisfitMm, onChoose }: SetHeadingProps) {
  const { drill, begun } = floor;
  const noted = useLastNoted(about);
  const { unit } = useSettings();
  const isProposed = useMemo(
    () => proposal !== undefined && addressOf(drill).toString() === addressOf(proposal.drill).toString(),
    [proposal, drill],
  );
  return (
    <div className={classes.top}>
      {begun ? (
        <p className={classes.drill}>
          {drillOfWords(about.subject, about.side, drill)}
          {"onMiss" in drill && `; after a miss: ${MISS_RULE_NAMES[drill.onMiss]}`}
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
      <Coaching subject={about.subject} drill={drill} hasCautions={!begun} />
      {!begun && DRILL_ROWS[drill.kind].hasRope && ropeMisfitMm !== null && ropeMisfitMm !== 0 && (
        <p className={classes.look}>
          <strong>Rope</strong> {misfitWords(ropeMisfitMm, unit)}
        </p>
      )}
      {noted !== undefined && <Noted set={noted} />}
      {!begun && isProposed && proposal !== undefined && (
        <ProposalNote about={about} proposal={proposal} onChoose={onChoose} />
      )}
      {!begun && <FormNote subject={about.subject} side={about.side} drill={drill} />}
      {after !== undefined && noted === undefined && (begun || !isProposed) && (
        <p className={classes.then}>
          Then: {subjectName(after.subject, after.side)},{" "}
          {drillOfWords(after.subject, after.side, after.drill)}.
        </p>
      )}
      <Resumed floor={floor} />
      {floor.full && (
        <p className={classes.note} role="alert">
          This set is longer than a lesson. Finish it, and begin another.
        </p>
      )}
      <Unkept is={floor.unkept} />
    </div>
  );
}

interface ProposalNoteProps {
  readonly about: RunSubject;
  readonly proposal: NextItem;
  readonly onChoose: (drill: Drill) => void;
}

/** What is to be said of a proposal before its first try: its odds, what comes on its ladder, its gate. */
function ProposalNote({ about, proposal: { chance, after, tryGate }, onChoose }: ProposalNoteProps) {
  return (
    <p className={classes.note}>
      Proposed; it comes off {oddsWords(chance)}
      {after !== null && `. Once it is passed: ${drillOfWords(about.subject, about.side, after)}`}.
      {tryGate !== null && (
        <>
          {" "}
          <button type="button" className={classes.inline} onClick={() => onChoose(tryGate.drill)}>
            Try the gate
          </button>{" "}
          {drillWords(tryGate.drill)}, {oddsWords(tryGate.chance)}.
        </>
      )}
    </p>
  );
}
