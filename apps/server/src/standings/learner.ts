import { addsRuns, CATALOGUE, mannerOf, SCHOOLS } from "@mirrup/catalogue";
import {
  localDate,
  overlayGates,
  rulesText,
  type GateOverrides,
  type SchoolId,
  syllabusOf,
  type Syllabus,
} from "@mirrup/core";
import { grownFrom } from "@mirrup/core/planning";
import { HANDBOOK_MODEL, readModel, type LearnerModel, type Reader } from "@mirrup/core/teaching";
import { createHash } from "node:crypto";
import type { Scope } from "../database/scope.js";
import type { StudioEntity } from "../studios/studio.entity.js";
import type { StudentEntity } from "../students/student.entity.js";

/** What of a student bears on how the log is read: the school, the gates and the manner in force. */
export type Taught = Pick<StudentEntity, "school" | "gates" | "settings" | "homeStep" | "birthYear">;

/** The same with whose facts they are, and the rules that made them. */
export type Learner = Taught & Pick<StudentEntity, "id" | "factsRules" | "factsEdition">;

/** The studio's own gates; none where it has none, so that the rules are told as before. */
function ownGates({ overlay }: Scope, school: SchoolId): readonly GateOverrides[] {
  const gates = overlayGates(overlay, school);
  return Object.keys({ ...gates.skills, ...gates.classes }).length === 0 ? [] : [gates];
}

/** What a student is taught: their own school, gates and manner before the studio's. */
export function syllabusFor(
  scope: Scope,
  { school, gates, settings, homeStep, birthYear }: Taught,
): Syllabus {
  const chosen = [settings, scope.studio.settings];
  const id = school ?? scope.studio.school;
  return syllabusOf({
    catalogue: scope.catalogue,
    school: SCHOOLS[id],
    overrides: [{ skills: gates }, ...ownGates(scope, id)],
    manner: mannerOf(homeStep, ...chosen),
    growsUntil: addsRuns(...chosen) ? grownFrom(birthYear) : null,
  });
}

const models = new WeakMap<StudioEntity, LearnerModel>();

/** The studio's learner model: its own log's, else the handbook's. */
export function modelOf({ studio }: Scope): LearnerModel {
  const made = models.get(studio) ?? (studio.model === null ? HANDBOOK_MODEL : readModel(studio.model));
  models.set(studio, made);
  return made;
}

/** How a student's log is read. */
export function readerFor(scope: Scope, learner: Taught): Reader {
  return { syllabus: syllabusFor(scope, learner), model: modelOf(scope) };
}

export function todayIn({ now, studio }: Scope): string {
  return localDate(now.getTime(), studio.timeZone);
}

const hashOf = (text: string) => createHash("sha256").update(text).digest("base64url");
const hashes = new WeakMap<Syllabus, string>();

/** The rules that this build ships with, of every school, apart from what a studio has made of them. */
const SHIPPED_RULES = hashOf(
  Object.values(SCHOOLS)
    .map((school) => rulesText(syllabusOf({ catalogue: CATALOGUE, school })))
    .join(),
).slice(0, 16);

/**
 * Tells one set of rules from another: what ships, and what is taught of it: catalogue, school, gates, model, and where
 * a day begins.
 */
export function rulesHash(scope: Scope, { syllabus, model }: Reader): string {
  const known = hashes.get(syllabus) ?? hashOf(rulesText(syllabus));
  hashes.set(syllabus, known);
  return `${SHIPPED_RULES} ${known} ${model.version} ${scope.studio.timeZone}`;
}

/** Whether facts were made by the rules that this build ships with, so that only the studio can have changed any. */
export function isOfThisBuild({ factsRules }: Pick<Learner, "factsRules">): boolean {
  return factsRules.startsWith(`${SHIPPED_RULES} `);
}
