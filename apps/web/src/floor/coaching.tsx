import { CAUTIONS, coachingOf } from "@mirrup/catalogue";
import { DRILL_ROWS, skillOf, type Drill } from "@mirrup/core";
import { memo } from "react";
import { catalogue, ownWayOf } from "../app/catalogue.js";
import classes from "./floor.module.css";

interface CoachingProps {
  readonly subject: string;
  readonly drill: Drill;
  /** Whether it is still to be said what can hurt. */
  readonly hasCautions: boolean;
}

/** What is said of a drill, in large words; what to look at; and what can hurt in it. */
export const Coaching = memo(function Coaching({ subject, drill, hasCautions }: CoachingProps) {
  const skill = skillOf(catalogue(), subject);
  const { say, look } = coachingOf(skill, drill);
  const note = ownWayOf(subject)?.note;
  // What is done without a rope can strike nobody.
  const cautions = DRILL_ROWS[drill.kind].hasRope ? skill.cautions.filter((code) => code !== "growth") : [];
  return (
    <>
      <p className={classes.cue}>{say}</p>
      <p className={classes.look}>
        <strong>Look at</strong> {look}
      </p>
      {note !== undefined && (
        <p className={classes.look}>
          <strong>Our note</strong> {note}
        </p>
      )}
      {hasCautions && cautions.length > 0 && (
        <p className={classes.caution}>
          <strong>Take care</strong> {cautions.map((code) => CAUTIONS[code]).join(" ")}
        </p>
      )}
    </>
  );
});
