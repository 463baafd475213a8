import { CATALOGUE, mannerOf, SCHOOLS } from "@mirrup/catalogue";
import { localDate, rulesText, syllabusOf, type Syllabus } from "@mirrup/core";
import { HANDBOOK_MODEL, type Reader } from "@mirrup/core/teaching";
import { createHash } from "node:crypto";
import type { Scope } from "../database/scope.js";
import type { StudentEntity } from "../students/student.entity.js";

/** What of a student bears on how the log is read: the school, the gates and the manner in force. */
export type Learner = Pick<StudentEntity, "id" | "school" | "gates" | "settings" | "homeStep" | "factsRules">;

/** What a student is taught: their own school, gates and manner before the studio's. */
export function syllabusFor(
  scope: Scope,
  { school, gates, settings, homeStep }: Pick<Learner, "school" | "gates" | "settings" | "homeStep">,
): Syllabus {
  return syllabusOf({
    catalogue: CATALOGUE,
    school: SCHOOLS[school ?? scope.studio.school],
    overrides: [{ skills: gates }],
    manner: mannerOf(homeStep, settings, scope.studio.settings),
  });
}

/** How a student's log is read. */
export function readerFor(
  scope: Scope,
  learner: Pick<Learner, "school" | "gates" | "settings" | "homeStep">,
): Reader {
  return { syllabus: syllabusFor(scope, learner), model: HANDBOOK_MODEL };
}

export function todayIn({ now, studio }: Scope): string {
  return localDate(now.getTime(), studio.timeZone);
}

const hashes = new WeakMap<Syllabus, string>();

/** Tells one set of rules from another: catalogue, school, gates, code, and where a day begins. */
export function rulesHash(scope: Scope, { syllabus, model }: Reader): string {
  const known = hashes.get(syllabus) ?? createHash("sha256").update(rulesText(syllabus)).digest("base64url");
  hashes.set(syllabus, known);
  return `${known} ${model.version} ${scope.studio.timeZone}`;
}
