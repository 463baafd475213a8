import type { StudentView } from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { readerFor, rulesHash, todayIn } from "../standings/index.js";
import type { StudentEntity } from "./student.entity.js";

/** What a student's whole reading comes to at a glance. */
export type Glance = Pick<
  StudentView,
  "level" | "stuck" | "reviewsDue" | "lastPractisedAt" | "counts" | "next" | "nextCodes"
>;

/** Chances fade with time; within so long nobody sees it. */
const FRESH_MS = DAY_MS / 24;
/** Of about half a kilobyte each. */
const MOST_KEPT = 20_000;

/**
 * What glances were worked out from: the rules, the programmes and the day, what was written of the student, and the
 * facts by how often they were written. Another of any of them is another glance.
 */
function stampOf(scope: Scope, student: StudentEntity): string {
  const rules = rulesHash(scope, readerFor(scope, student));
  const { factsEdition, version } = student;
  const hour = Math.floor(scope.now.getTime() / FRESH_MS);
  const { version: studioVersion, overlayId } = scope.studio;
  return [rules, factsEdition, version, studioVersion, overlayId, todayIn(scope), hour].join(" ");
}

const keyOf = ({ studioId, id }: StudentEntity) => `${studioId} ${id}`;

/** Glances of this process, kept until what they were worked out from is another. */
@Injectable()
export class Glances {
  private readonly kept = new Map<string, { readonly stamp: string; readonly glance: Glance }>();

  /** What is kept of a student and still holds; null where it has to be worked out. */
  of(scope: Scope, student: StudentEntity): Glance | null {
    const kept = this.kept.get(keyOf(student));
    return kept?.stamp === stampOf(scope, student) ? kept.glance : null;
  }

  keep(scope: Scope, student: StudentEntity, glance: Glance): void {
    if (this.kept.size >= MOST_KEPT) this.kept.clear();
    this.kept.set(keyOf(student), { stamp: stampOf(scope, student), glance });
  }
}
