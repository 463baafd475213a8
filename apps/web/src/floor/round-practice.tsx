import { sidesOf, skillOf, type Drill, type SideName } from "@mirrup/core";
import type { ReactNode } from "react";
import { catalogue } from "../app/catalogue.js";
import { drillOfWords } from "../app/drill-words.js";
import { syllabus } from "../app/syllabus.js";
import { capital, skillName, subjectName } from "../app/words.js";
import { Coaching } from "./coaching.js";
import { DrillChoice } from "./drill-choice.js";

/** What a class practises in a round: a skill or a combo. */
export interface RoundPractice {
  /** As the log has it. */
  readonly subject: string;
  readonly sides: readonly SideName[];
  /** Beats of a repetition. */
  readonly beats: number;
  /** Without a side, where each has their own. */
  readonly titleOf: (side: SideName | null) => string;
  readonly sideName: (side: SideName) => string;
  /** The drill of a side: as it was chosen where that can be done on any, the usual one where nothing was (null). */
  readonly drillOn: (side: SideName, chosen: Drill | null) => Drill;
  readonly wordsOf: (side: SideName, drill: Drill) => string;
  /** Where another drill is chosen, or the one that there is. */
  readonly choice: (side: SideName, drill: Drill, onChange: (drill: Drill) => void) => ReactNode;
  /** What is to be known of somebody before they try it; null for nothing. */
  readonly noteOf: (studentId: string) => string | null;
  /** What is said, looked at, and, before it begins, minded. */
  readonly coaching: (side: SideName, drill: Drill, hasCautions: boolean) => ReactNode;
}

const FIRST = { kind: "streak", count: 10 } as const;

/** A skill of the catalogue, by any of its drills. */
export function skillPractice(subject: string): RoundPractice {
  const skill = skillOf(catalogue(), subject);
  return {
    subject,
    sides: sidesOf(skill),
    beats: skill.beats,
    titleOf: (side) => capital(side === null ? skillName(subject) : subjectName(subject, side)),
    sideName: (side) => `${side} side`,
    drillOn: (_side, chosen) => chosen ?? FIRST,
    wordsOf: (side, drill) => drillOfWords(subject, side, drill),
    choice: (side, drill, onChange) => (
      <DrillChoice
        subject={subject}
        side={side}
        gate={syllabus().find(subject, side)?.gate ?? FIRST}
        drill={drill}
        onChange={onChange}
      />
    ),
    noteOf: () => null,
    coaching: (_side, drill, hasCautions) => (
      <Coaching subject={subject} drill={drill} hasCautions={hasCautions} />
    ),
  };
}
