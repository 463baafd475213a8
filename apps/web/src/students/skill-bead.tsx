import { useQuery } from "@tanstack/react-query";
import { catalogue } from "../app/catalogue.js";
import { familyOf } from "../app/family.js";
import { Bead, beadState, bySkill } from "../beads/index.js";
import { standingsQuery } from "./queries.js";

interface SkillBeadProps {
  readonly studentId: string;
  readonly subject: string;
  /** Width and height in px. */
  readonly size?: number;
}

/** A skill as a student has it, beside its name; nothing before that is known, and for what is no skill. */
export function SkillBead({ studentId, subject, size = 28 }: SkillBeadProps) {
  const { data: skills } = useQuery({ ...standingsQuery(studentId), select: bySkill });
  if (skills === undefined || !catalogue().skills.has(subject)) return null;
  return <Bead state={beadState(skills.get(subject))} family={familyOf(subject)} size={size} />;
}
