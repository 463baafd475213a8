import type { StudentProfile } from "@mirrup/contract";
import type { Hand } from "@mirrup/core";

/** The hand whose arm is on top where a cross leaves it open: the student's own; the right where nobody says. */
export function handOf(student: Pick<StudentProfile, "dominantHand"> | undefined): Hand {
  return student?.dominantHand === "left" ? "l" : "r";
}
