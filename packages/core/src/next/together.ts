/** What several students could usefully do together: the skills open or due for most of them. */
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import type { SubjectSide } from "../syllabus/roles.js";
import type { Status } from "../record/standing.js";

export interface StatusOfSide extends SubjectSide {
  readonly status: Status;
}

export interface Together {
  readonly subject: string;
  /** For whom it is useful, as places in the list that was given. */
  readonly students: readonly number[];
  /** Those of them who know it and have it due for a review. */
  readonly reviews: number;
}

/** Worth a lesson's minutes: open and not cleared yet, or cleared and due. */
function isUseful(status: Status): boolean {
  return status === "ready" || status === "working" || status === "rusty";
}

/**
 * Skills by the number of students for whom at least one side is useful, the harder first among
 * equals. O(students · sides).
 */
export function usefulTogether(
  catalogue: Catalogue,
  students: readonly (readonly StatusOfSide[])[],
): readonly Together[] {
  const found = new Map<string, { students: Set<number>; reviews: Set<number> }>();
  students.forEach((sides, place) => {
    for (const { subject, status } of sides) {
      if (!isUseful(status)) continue;
      const entry = found.get(subject) ?? { students: new Set(), reviews: new Set() };
      entry.students.add(place);
      if (status === "rusty") entry.reviews.add(place);
      found.set(subject, entry);
    }
  });
  const level = (subject: string) => skillOf(catalogue, subject).level;
  return [...found]
    .map(([subject, entry]) => ({ subject, students: [...entry.students], reviews: entry.reviews.size }))
    .sort(
      (one, other) =>
        other.students.length - one.students.length || level(other.subject) - level(one.subject),
    );
}
