/** Practice at home: a link for one student, what it shows, and the sets that come back from it. */
import type { CautionCode, Drill, Gate, Overlay, SubjectSide } from "@mirrup/core";
import type { Goal, Status } from "@mirrup/core/teaching";
import type { ClearedSide } from "./progress.js";
import type { SetRequest, SetView } from "./sets.js";

/** How long a link lasts, days. */
export const HOME_DAYS = { least: 1, usual: 90, most: 365 } as const;
/** Sets of one student that are taken in a day: more is no practice. */
export const MOST_HOME_SETS_A_DAY = 60;
/** Sets that are sent at once from home. */
export const MOST_HOME_SETS = 50;
/** How far back one looks for what was cleared lately, days. */
export const LATELY_DAYS = 30;

export interface HomeLinkRequest {
  readonly days: number;
  /** A parent or guardian knows of it and agrees; asked for whoever may be a minor. */
  readonly agreed: boolean;
}

/** The link of a student, as far as the server knows it: its token is told once. */
export interface HomeLinkView {
  readonly madeAt: string;
  readonly expiresAt: string;
}
export interface NewHomeLink extends HomeLinkView {
  readonly token: string;
}

/** What an instructor sees of a student's practice at home. */
export interface HomePracticeView {
  readonly link: HomeLinkView | null;
  /** Whether the link may be made without a guardian's word. */
  readonly isGrown: boolean;
  /** Counted by the student, and neither accepted nor taken back yet; the newest first. */
  readonly sets: readonly SetView[];
}

/** Somebody with sets from home that nobody has looked at. */
export interface PractisedAtHome {
  readonly studentId: string;
  readonly name: string;
  readonly sets: number;
  readonly lastAt: string;
}

export interface HomeDrill extends SubjectSide {
  readonly drill: Drill;
  readonly chance: number;
  readonly gate: Gate;
  readonly cautions: readonly CautionCode[];
}

/** A goal: what is left of the way, in order, and what of it was cleared lately. */
export interface HomeGoal {
  readonly goal: Goal;
  readonly left: readonly SubjectSide[];
  readonly cleared: readonly ClearedSide[];
}

/** Why nothing that lands is asked for: jumping ended early today, or the week's allowance is used up. */
export type HomeRest = "stopped" | "allowance";

/** All that a home link shows. It names nobody, and no studio. */
export interface HomeView {
  readonly expiresAt: string;
  readonly rest: HomeRest | null;
  readonly drills: readonly HomeDrill[];
  readonly strands: readonly (SubjectSide & { readonly status: Status })[];
  readonly goals: readonly HomeGoal[];
  readonly cleared: readonly ClearedSide[];
  /** Sets from home that no instructor has looked at yet. */
  readonly waiting: number;
  /** The studio's own skills and names, without which theirs could not be told. */
  readonly own: Overlay;
}

/** A set as a student counted it. */
export type HomeSet = Omit<SetRequest, "studentId" | "countedBy" | "said">;
export interface HomeSetsRequest {
  readonly sets: readonly HomeSet[];
  /** What the phone's clock says as they are sent. */
  readonly sentAt?: string;
}
export interface HomeSetsReply {
  readonly stored: readonly string[];
  readonly clockAheadSeconds: number;
}
