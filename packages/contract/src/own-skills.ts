/** What a studio teaches otherwise than the catalogue that ships: asked, and answered. */
import type { Overlay, OverlayEntry } from "@mirrup/core";
import type { Progress, StandingDifference } from "@mirrup/core/teaching";

/** A change of one skill or programme: what it was when it was looked at, and what it is to be; null for nothing of the studio's own. */
export interface SkillChange {
  readonly subject: string;
  readonly was: OverlayEntry | null;
  readonly is: OverlayEntry | null;
}

/** Changes that are made together or not at all. */
export interface SkillChanges {
  readonly changes: readonly SkillChange[];
}

/** What changes would come to for some students, before they are made. */
export interface SkillPreviewRequest {
  readonly changes: readonly Pick<SkillChange, "subject" | "is">[];
  readonly students: readonly string[];
}

export interface SkillPreviewItem extends StandingDifference {
  readonly studentId: string;
  readonly name: string;
}

/** What of the studio's own does not fit the catalogue that ships any more, and is left out until it is mended. */
export interface LeftOut {
  readonly skill: string;
  readonly message: string;
}

export interface CatalogueView extends Overlay {
  readonly leftOut: readonly LeftOut[];
}

/** How many students' records are still to be read by what is taught now. */
export interface CatchingUpView {
  readonly students: number;
  readonly behind: number;
}

/** One change in the history of what a studio teaches, the newest first. */
export interface EditionView {
  readonly edition: number;
  /** The skills that it changed. */
  readonly subjects: readonly string[];
  readonly at: string;
  /** Null once that person has left no account. */
  readonly by: string | null;
}

/** How far one student is with a programme. */
export interface ProgrammeProgress extends Progress {
  readonly studentId: string;
  readonly name: string;
  /** Whether the programme before it was finished; true where there is none. */
  readonly hasFinishedBefore: boolean;
}

/** Of whom: a group, or one student; everybody who is not archived where neither is named. */
export interface ProgrammeProgressQuery {
  readonly group?: string;
  readonly student?: string;
}

export const OWN_SKILL_LIMITS = {
  name: 40,
  others: 6,
  cues: 5,
  cue: 120,
  look: 300,
  note: 500,
  needs: 600,
  score: 4000,
} as const;
/** What a studio's skills, names, gates and programmes are as a file. */
export interface SkillsFile {
  readonly format: "mirrup-skills";
  readonly version: 1;
  readonly entries: Overlay["entries"];
}

/** More skills of its own no studio has. */
export const MOST_OWN_SKILLS = 1000;
