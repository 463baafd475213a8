/** Students' records, groups, decisions and how a studio teaches: the types of their requests and replies. */
import type { SettingValues } from "@mirrup/catalogue";
import type { CautionCode, Decision, Gate, RopeUse, SchoolId, SideName, SubjectSide } from "@mirrup/core";
import type { Goal, Status, TriesLeft } from "@mirrup/core/teaching";
import type { Opened, StandingChange } from "./changes.js";

/** What the log calls a decision: the core's, a gate set otherwise for this student, or taking one back. */
export type LoggedDecision =
  | Decision
  /** Null for the gate that the school gives. */
  | { readonly kind: "override"; readonly gate: Gate | null }
  | { readonly kind: "void"; readonly target: string }
  /** A set that the student counted alone is as good as one that was seen. */
  | { readonly kind: "accept"; readonly target: string };

export const DECISION_KINDS = ["clear", "reopen", "place", "override", "void", "accept"] as const;

/** A decision as a device logs it. `side` is `whole` for an override, which counts for both sides. */
export interface DecisionRequest {
  readonly id: string;
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
  readonly decision: LoggedDecision;
  /** Asked for all but placement's answers and what takes something back. */
  readonly reason: string;
  readonly at: string;
}

export interface DecisionsRequest {
  readonly decisions: readonly DecisionRequest[];
  /** What the device's clock is as it sends, by which its instants are put right. */
  readonly sentAt?: string;
}

export interface DecisionsReply {
  readonly stored: readonly string[];
  readonly alreadyStored: readonly string[];
  readonly changes: readonly StandingChange[];
  readonly opened: readonly Opened[];
}

export interface DecisionView extends Omit<DecisionRequest, "studentId"> {
  /** Who decided; null once that person has left no account. */
  readonly by: string | null;
  readonly isVoided: boolean;
}

export const HOME_STEPS = ["basic-bounce", "boxer-step", "run-step"] as const;

/** Everything about a student that people write down. All but the name can wait. */
export interface StudentProfile {
  readonly name: string;
  readonly birthYear: number | null;
  readonly yearsJumping: number | null;
  readonly heightMm: number | null;
  readonly dominantHand: "left" | "right" | null;
  readonly strongerSide: "left" | "right" | null;
  readonly ropeKind: string | null;
  readonly ropeLengthMm: number | null;
  readonly ropeUse: RopeUse;
  readonly homeStep: string | null;
  readonly goals: readonly Goal[];
  /** Null for the studio's. */
  readonly school: SchoolId | null;
  readonly settings: SettingValues;
  readonly notes: string;
  /** Cautions that were talked through; nothing else about them is kept. */
  readonly cautions: readonly CautionCode[];
}

export interface StudentDetail extends StudentProfile {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  /** The record of the same child that this one is part of; null for one of its own. */
  readonly sameAs: string | null;
  readonly groups: readonly string[];
  /** Gates set otherwise for this student, by skill; each by a decision with its reason. */
  readonly gates: Readonly<Record<string, Gate>>;
}

/** With an id of the sender's own it is added once, however often it is sent. */
export type NewStudent = Pick<StudentProfile, "name"> &
  Partial<StudentProfile> & { readonly id?: string; readonly groups?: readonly string[] };

/** A change of some of the fields, made from what had `version`. */
export type StudentChange = Partial<StudentProfile> & {
  readonly version: number;
  readonly archived?: boolean;
  readonly groups?: readonly string[];
  /** With a change of school: keep what it would reopen, as clearings by hand with that reason. */
  readonly keepCleared?: boolean;
};

/** Of a student, a group or a studio, letters. */
export const LONGEST_NAME = 120;
export const MAX_IMPORT = 5000;

/** Students of a file, with the names of their groups; groups that are missing are made. */
export interface ImportRequest {
  readonly students: readonly (Omit<NewStudent, "groups"> & { readonly groups?: readonly string[] })[];
}

export interface ImportReply {
  readonly students: number;
  readonly groups: number;
}

export interface GroupView {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  /** 1 is Monday; null where no day is set. */
  readonly weekday: number | null;
  /** `HH:MM`, in the studio's time zone. */
  readonly startTime: string | null;
  readonly place: string;
  readonly members: readonly string[];
  readonly archived: boolean;
}

/** With an id of the sender's own it is added once, however often it is sent. */
export type NewGroup = Pick<GroupView, "name"> &
  Partial<Pick<GroupView, "id" | "weekday" | "startTime" | "place" | "members">>;
export type GroupChange = Partial<Omit<NewGroup, "id">> & {
  readonly version: number;
  readonly archived?: boolean;
};

/** A class as one dense table: a character a side (`decodeStatuses` of the core reads them). */
export interface GridView {
  readonly sides: readonly string[];
  readonly students: readonly { readonly id: string; readonly name: string; readonly codes: string }[];
}

export interface PathStepItem extends SubjectSide {
  readonly gate: Gate;
  readonly status: Status;
  readonly tries: TriesLeft;
}

/** An either on the path: which way was taken, and what the path would have cost the other way. */
export interface PathChoiceItem extends SubjectSide {
  readonly taken: readonly SubjectSide[];
  readonly passed: readonly (readonly SubjectSide[])[];
}

export interface PathView {
  readonly goals: readonly Goal[];
  /** Every side after all that it needs. */
  readonly steps: readonly PathStepItem[];
  readonly choices: readonly PathChoiceItem[];
  /** Tries left over all steps. */
  readonly tries: TriesLeft;
}

/** The same record under each school. */
export interface SchoolReading {
  readonly school: SchoolId;
  readonly codes: string;
  readonly cleared: number;
}

export interface StudioChange {
  readonly version: number;
  readonly name?: string;
  readonly timeZone?: string;
  readonly school?: SchoolId;
  readonly settings?: SettingValues;
  /** Keep what the new school would reopen, as clearings by hand with that reason. */
  readonly keepCleared?: boolean;
}

export const MAX_PREVIEW = 50;

/** What a school would change for some students; a null school is the studio's own. */
export interface PreviewRequest {
  readonly school: SchoolId | null;
  readonly students: readonly string[];
}

export interface PreviewItem {
  readonly studentId: string;
  readonly clears: readonly SubjectSide[];
  readonly reopens: readonly SubjectSide[];
}
