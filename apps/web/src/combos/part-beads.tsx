import { skillOf } from "@mirrup/core";
import type { ComboPart } from "@mirrup/core/combos";
import { catalogue } from "../app/catalogue.js";
import { SkillBead } from "../students/index.js";
import classes from "./combos.module.css";

interface PartBeadsProps {
  readonly studentId: string;
  readonly parts: readonly ComboPart[];
}

/** The skills that a combo is made of, each once, as a student has them. */
export function PartBeads({ studentId, parts }: PartBeadsProps) {
  const subjects = new Set(parts.flatMap(({ subject }) => (subject === null ? [] : [subject])));
  return (
    <ul aria-label="Its skills" className={classes.skills}>
      {[...subjects]
        .filter((subject) => catalogue().skills.has(subject))
        .map((subject) => (
          <li key={subject}>
            <SkillBead studentId={studentId} subject={subject} size={22} />
            {skillOf(catalogue(), subject).name}
          </li>
        ))}
    </ul>
  );
}
