import { familyOf } from "../app/family.js";
import { Bead, type BeadOf } from "../beads/index.js";

interface StudentBeadProps {
  readonly beadOf: BeadOf;
  readonly studentId: string;
  /** The skill of the station; null where it has none. */
  readonly subject: string | null;
  readonly size: number;
}

/** Where a student stands in what their station does, before their name. */
export function StudentBead({ beadOf, studentId, subject, size }: StudentBeadProps) {
  const state = subject === null ? null : beadOf(studentId, subject);
  return state !== null && subject !== null && <Bead state={state} family={familyOf(subject)} size={size} />;
}
