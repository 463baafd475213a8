/** The types of every request and reply between server and web. */
import type { SettingValues } from "@mirrup/catalogue";
import type { Drill, Gate, Holds, SchoolId, SideName, SubjectSide } from "@mirrup/core";
import type { Goal, Load, NextReason, Status, WeekLoad } from "@mirrup/core/teaching";
import type { Opened, StandingChange } from "./changes.js";
import type { JumpMeasure } from "./jumps.js";
import type { LessonStudent, LessonView } from "./lessons.js";
import type { SetRequest, SetView } from "./sets.js";
import type { DecisionView, StudentProfile } from "./teaching.js";

export * from "./combos.js";
export * from "./lessons.js";
export * from "./own-skills.js";
export * from "./home.js";
export * from "./jumps.js";
export * from "./log.js";
export * from "./presence.js";
export * from "./progress.js";
export * from "./sets.js";
export * from "./teaching.js";
export type { Opened, StandingChange };

export const MAX_SETS_PER_BATCH = 500;

export interface Health {
  readonly status: "ok" | "unavailable";
  readonly database: "up" | "read-only" | "down";
  /** Of Mirrup. */
  readonly version: string;
}

export interface Items<T> {
  readonly items: readonly T[];
}

export interface StudioView {
  readonly id: string;
  readonly name: string;
  readonly timeZone: string;
  readonly school: SchoolId;
  readonly settings: SettingValues;
  readonly version: number;
}

export interface StatusCounts {
  readonly cleared: number;
  readonly working: number;
  readonly ready: number;
  readonly locked: number;
}

export interface StudentView {
  readonly id: string;
  readonly name: string;
  /** The side that is drilled first: the stronger one, else the dominant hand's, else the right. */
  readonly leadingSide: "left" | "right";
  /** Null where nobody has said it. */
  readonly dominantHand: "left" | "right" | null;
  /** How much longer (negative: shorter) the rope in use is than fits, mm; 0 where it fits, null where nobody measured. */
  readonly ropeMisfitMm: number | null;
  readonly archived: boolean;
  readonly groups: readonly string[];
  readonly goals: readonly Goal[];
  /** Whether jumping has ended for this student today. */
  readonly hasStopped: boolean;
  /** The level of the furthest skill that is cleared; 0 before the first. */
  readonly level: number;
  /** Skill sides that do not move, and those whose review is due. */
  readonly stuck: number;
  readonly reviewsDue: number;
  /** When the student's last set happened; null before the first. */
  readonly lastPractisedAt: string | null;
  /** Skill sides by status; what is inferred counts as cleared. */
  readonly counts: StatusCounts;
  /** What the student does next; null when nothing is open. */
  readonly next: NextItem | null;
  /** Where each side of that skill stands, coded, in the order of its sides; empty with nothing open. */
  readonly nextCodes: string;
}

/** A student who has been put away: in no list or plan, with everything of theirs kept. */
export interface ArchivedStudent extends Pick<StudentView, "id" | "name" | "groups"> {
  /** Of the record: what brings them back is made from it. */
  readonly version: number;
  readonly archivedAt: string;
  /** The record of the same child that this one is part of; null for one of its own. */
  readonly sameAs: string | null;
}

/** Another record of the same child, to be one with the record that is asked. */
export interface SecondRecord {
  readonly id: string;
}

/** What came over from one record of a child to another, or went back. */
export interface BroughtOver {
  readonly sets: number;
  readonly decisions: number;
}

/** One thing that keeps a side locked. */
export interface UnmetItem extends SubjectSide {
  /** The gate that would meet the need. */
  readonly gate: Gate;
  /** What the gate asks, what is there and what is missing, in the gate's unit. */
  readonly need: number;
  readonly have: number;
  readonly short: number;
  /** Which of the skill's needs this belongs to, from 0, and which way to meet it; one way is enough. */
  readonly needIndex: number;
  readonly way: number;
}

export interface StandingItem {
  readonly subject: string;
  readonly side: SideName;
  readonly status: Status;
  readonly bestStreak: number;
  readonly cleanChance: number;
  readonly gate: Gate;
  /** Furthest progress on the gate, in its own unit. */
  readonly gateBest: number;
  /** The studio's day on which a cleared side should be seen again; null while not cleared. */
  readonly reviewDue: string | null;
  /** How a cleared side was cleared; null while it is not. */
  readonly clearedBy: "gate" | "hand" | "placed" | null;
  readonly isStuck: boolean;
  /** Reviews in a row that went badly. */
  readonly lowReviews: number;
  /** When the side was last practised. */
  readonly lastAt: string | null;
  readonly unmet: readonly UnmetItem[];
}

/** What this week asks of a student's legs so far, and what it may come to. */
export interface LoadView extends WeekLoad {
  readonly today: Load;
}

/** All that the floor shows of a student and a side. */
export interface FloorView {
  readonly student: StudentView;
  readonly standings: readonly StandingItem[];
  /** The best first. */
  readonly next: readonly NextItem[];
  /** Of the side; none where the catalogue has no such side. */
  readonly ladder: readonly RungItem[];
  /** The last of the side, newest first. */
  readonly sets: readonly SetView[];
  readonly load: LoadView;
}

/** How the simulated rope handle turns; what is left out has a default. */
export interface HandleQuery {
  readonly seed: number;
  /** Turns a minute. */
  readonly tempo: number;
  /** Chance of a clean turn. */
  readonly clean: number;
  /** Percent a minute. */
  readonly drift: number;
  readonly evenness: number;
  /** What a minute takes from the chance of a clean turn. */
  readonly fatigue: number;
}

export interface NextItem {
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
  /** The chance to pass it as it is. */
  readonly chance: number;
  /** What it is on the way to: its own gate, or more where a path asks for more. */
  readonly gate: Gate;
  /** The gate itself, to be tried beside it; null while it is too far, and where it is the drill. */
  readonly tryGate: { readonly drill: Drill; readonly chance: number } | null;
  /** What comes on its ladder once this is passed; null at the gate. */
  readonly after: Drill | null;
  readonly reason: NextReason;
  /** Neither begun nor cleared. */
  readonly isNew: boolean;
}

export const RUNG_STATES = ["passed", "tried", "new"] as const;

/** A rung of a side's ladder, as one student stands on it. */
export interface RungItem {
  readonly id: string;
  /** With the number that suits the student. */
  readonly drill: Drill;
  readonly state: (typeof RUNG_STATES)[number];
  /** The chance to pass it as it is. */
  readonly chance: number;
  readonly holds: Holds;
  /** The sides that it is logged about. */
  readonly about: readonly SubjectSide[];
  /** Whether these are parts of the skill. */
  readonly isPart: boolean;
  readonly isAfterGate: boolean;
  /** Whether it is what is proposed now. */
  readonly isNext: boolean;
}

/** A side that newer rules read otherwise: cleared once and not any more, or the reverse. */
export interface RulesChange extends SubjectSide {
  readonly studentId: string;
  readonly name: string;
  readonly isCleared: boolean;
  readonly at: string;
}

/** A note to a set; an empty text takes it back. */
export interface NoteRequest {
  /** When it was said; now, where nothing is given. */
  readonly at?: string;
  readonly setId: string;
  readonly text: string;
}

export interface SetsRequest {
  readonly sets: readonly SetRequest[];
  /** What the device's clock is as it sends, by which its instants are put right. */
  readonly sentAt?: string;
}

export interface SetsReply {
  /** Ids that this request added to the log. */
  readonly stored: readonly string[];
  /** Ids that the log held already, with the same body. */
  readonly alreadyStored: readonly string[];
  /** Ids whose clock ran ahead; they count at the time of receipt. */
  readonly clockAhead: readonly string[];
  /** How far the device's clock is ahead, or behind where less than 0; 0 where it is near enough. */
  readonly clockAheadSeconds: number;
  /** The standing of every skill side that was practised, before and after. */
  readonly changes: readonly StandingChange[];
  /** Skill sides that were locked and are not any more. */
  readonly opened: readonly Opened[];
}

/** An RFC 9457 problem document. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly requestId?: string;
  readonly errors?: readonly ProblemError[];
  /** For a change made from an old state: the newer one. */
  readonly current?: unknown;
}

export interface ProblemError {
  /** The place in the batch, from 0, for requests that carry one. */
  readonly item?: number;
  /** The id of the item, where it has one. */
  readonly id?: string;
  readonly field: string;
  readonly code: string;
  readonly message: string;
}

/** What a person may do in a studio: everything, teach and edit, or only see. */
export const ROLES = ["owner", "coach", "viewer"] as const;
export type Role = (typeof ROLES)[number];

/** The header in which a request names the studio that it is for. */
export const STUDIO_HEADER = "x-mirrup-studio";
/** Names the page that asks, so that it can tell its own changes from those of others. */
export const DEVICE_HEADER = "x-mirrup-device";

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

export interface Membership {
  readonly studioId: string;
  readonly studioName: string;
  readonly role: Role;
}

/** Who is signed in here, and what else the first page has to know. */
export interface SessionView {
  /** False until the first studio has been set up. */
  readonly isSetUp: boolean;
  /** Whether there is a demo club to look around in. */
  readonly hasDemo: boolean;
  readonly person: PersonView | null;
  readonly memberships: readonly Membership[];
}

export interface SignInRequest {
  readonly email: string;
  readonly password: string;
}

export interface PasswordRequest {
  readonly current: string;
  readonly next: string;
}

/** One's own name and e-mail; another e-mail asks for the present password. */
export interface AccountChange {
  readonly name?: string;
  readonly email?: string;
  readonly current?: string;
}

export interface NewStudio {
  readonly studioName: string;
  readonly timeZone: string;
  readonly school: SchoolId;
}

/** The studio's own name, typed by whoever means to delete it. */
export interface StudioDeletion {
  readonly studioName: string;
}

export interface SetUpRequest extends NewStudio {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

export interface ResetRequest {
  readonly email: string;
}

/** Uses a one-time link: a new password for a reset, name and password for an invitation. */
export interface ResetUse {
  readonly token: string;
  readonly password: string;
}

export interface InvitationUse extends ResetUse {
  readonly name: string;
}

export interface InvitationRequest {
  readonly email: string;
  readonly role: Role;
}

export interface MemberView extends PersonView {
  readonly role: Role;
}

export interface RoleRequest {
  readonly role: Role;
}

/** What becomes of a letter: it lies in the outbox where no mail server is set, or it waits, has left or came back. */
export const LETTER_STATES = ["kept", "waiting", "sent", "failed"] as const;
export type LetterState = (typeof LETTER_STATES)[number];

/** A letter of the outbox. */
export interface MailView {
  readonly id: string;
  readonly to: string;
  readonly subject: string;
  /** Null once it has left, once its link is of no use any more, or where it cannot be read any more. */
  readonly text: string | null;
  readonly at: string;
  readonly state: LetterState;
  /** What the mail server said last; null for nothing. */
  readonly trouble: string | null;
}

export const AUDIT_ACTIONS = [
  "set-up",
  "signed-in",
  "sign-in-failed",
  "signed-out-everywhere",
  "asked-for-password",
  "changed-password",
  "changed-account",
  "left",
  "invited",
  "joined",
  "role-changed",
  "removed",
  "cleared",
  "reopened",
  "overrode",
  "took-back",
  "accepted",
  "changed-school",
  "changed-studio",
  "changed-skills",
  "settled-rules",
  "added",
  "imported",
  "exported",
  "exported-all",
  "changed-record",
  "brought-together",
  "took-apart",
  "stopped-early",
  "took-stop-back",
  "shared",
  "unshared",
  "opened-home",
  "closed-home",
  "mailed-report",
  "deleted",
] as const;
export type AuditAction = (typeof AUDIT_ACTIONS)[number];

export interface AuditView {
  readonly id: string;
  readonly at: string;
  /** Who did it; null once that person has left no account. */
  readonly by: string | null;
  readonly action: AuditAction;
  /** Whom it was about, where that may still be told. */
  readonly whom: string | null;
  /** What it was about: a role, an address, a skill and side. */
  readonly about: string | null;
}

/** Everything that Mirrup keeps about one student. */
export interface StudentRecord {
  readonly format: "mirrup-student";
  readonly version: 4;
  readonly exportedAt: string;
  readonly student: StudentProfile & {
    readonly id: string;
    readonly archivedAt: string | null;
    readonly createdAt: string;
    readonly groups: readonly string[];
  };
  readonly decisions: readonly DecisionView[];
  readonly sets: readonly (SetView & { readonly receivedAt: string; readonly catalogueVersion: string })[];
  readonly standings: readonly StandingItem[];
  /** How high they jumped, as it was measured; the oldest first. */
  readonly jumps: readonly JumpMeasure[];
  /** Lessons of a class that the student was in, and what was planned for them there. */
  readonly lessons: readonly (Pick<LessonView, "id" | "day" | "title"> & Omit<LessonStudent, "studentId">)[];
}

/** What a change may be of. */
export const TOPICS = [
  "students",
  "lessons",
  "groups",
  "combos",
  "pairs",
  "studio",
  "catalogue",
  "presence",
] as const;
export type Topic = (typeof TOPICS)[number];

/** That something was changed, and by which page; what it is now is read as ever. */
export interface ChangeView {
  readonly number: number;
  readonly topics: readonly Topic[];
  /** Whose, where it was of some students alone; none for anybody's. */
  readonly studentIds: readonly string[];
  readonly device: string | null;
}

export interface ChangesReply {
  /** The studio's last change: what to ask after the next time. */
  readonly number: number;
  /** Whether more was changed than is told: everything may be another. */
  readonly all: boolean;
  readonly items: readonly ChangeView[];
}

export interface Done {
  readonly done: true;
}
