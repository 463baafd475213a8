/** What keeps parts from being kept as a combo, each with the part that it is about. */
import { LIMITS } from "../rope/score.js";
import { parseScore } from "../rope/parse.js";
import { sidesOf } from "../sides.js";
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import { comboSubject } from "../log/combo-subject.js";
import { judgeCombo } from "./judge.js";
import { closedUp, countsOf, partOfSkill, type ComboPart } from "./part.js";

export interface ComboFault {
  /** From 0; null for the combo as a whole. */
  readonly part: number | null;
  readonly code: "no-parts" | "does-not-parse" | "unknown-skill" | "not-its-score" | "too-long" | "not-legal";
  readonly message: string;
}

function partFault(catalogue: Catalogue, part: ComboPart, place: number): ComboFault | null {
  const fault = (code: ComboFault["code"], message: string) => ({ part: place, code, message });
  const parsed = parseScore(part.score);
  if (!parsed.ok)
    return fault("does-not-parse", `“${part.score.slice(0, 40)}” does not parse. ${parsed.fault.message}`);
  const { subject, side } = part;
  if (subject === null || comboSubject(subject) !== null) return null;
  if (!catalogue.skills.has(subject))
    return fault("unknown-skill", `“${subject}” is not a skill of the catalogue.`);
  const skill = skillOf(catalogue, subject);
  const whole = sidesOf(skill).includes(side) ? partOfSkill(catalogue, subject, side) : null;
  const closed = whole === null ? null : closedUp(whole);
  if (part.score === whole?.score || part.score === closed?.score) return null;
  return fault("not-its-score", `“${part.score.slice(0, 40)}” is not the ${skill.name}, ${side}.`);
}

/** Empty for parts that make a legal combo. Subjects of other combos are for whoever keeps them to judge. */
export function comboFaults(catalogue: Catalogue, parts: readonly ComboPart[]): readonly ComboFault[] {
  if (parts.length === 0)
    return [{ part: null, code: "no-parts", message: "The combo has no moves yet. Add one." }];
  const own = parts.flatMap((part, place) => partFault(catalogue, part, place) ?? []);
  if (own.length > 0) return own;
  const counts = parts.reduce((sum, part) => sum + countsOf(part), 0);
  if (counts > LIMITS.beats) {
    const message = `The combo has ${counts} counts; at most ${LIMITS.beats} are possible. Take some parts out.`;
    return [{ part: null, code: "too-long", message }];
  }
  return judgeCombo(parts).parts.flatMap(({ inside, join }, place) =>
    [...inside, ...join].map(({ message }): ComboFault => ({ part: place, code: "not-legal", message })),
  );
}
