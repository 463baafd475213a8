/** Lessons of a class: planned, held, and what came of them; and the weeks toward a date. */
import type { LocalDate, SideName } from "@mirrup/core";
import type {
  Give,
  ClassAsked,
  ClassPlan,
  ClassStudent,
  ClassWeeksPlan,
  Energy,
  Place,
  Precaution,
  Rotation,
  WeeksPlan,
} from "@mirrup/core/planning";
import type { Goal } from "@mirrup/core/teaching";

/** Whether somebody comes: not said yet, there from the start, late, or not at all. */
export const ATTENDANCES = ["expected", "present", "late", "absent"] as const;
export type Attendance = (typeof ATTENDANCES)[number];

/** What was asked of a class plan; who is pinned where stands with the students. */
export interface LessonAsked extends Omit<ClassAsked, "placePins"> {
  readonly missing: readonly Precaution[];
}

/** A class plan as it is kept: what each student does stands with the student. */
export interface LessonPlan extends Pick<
  ClassPlan,
  "warmUpMinutes" | "closeMinutes" | "room" | "minutes" | "useful" | "sameForAll" | "most"
> {
  readonly asked: LessonAsked;
  readonly rotations: readonly Rotation[];
}

export interface LessonPlace extends Place {
  /** Put there by hand. */
  readonly pinned: boolean;
}

export interface LessonStudent {
  readonly studentId: string;
  readonly attendance: Attendance;
  /** Whether they have a rope of their own along; null, or left out, where it is as their record says. */
  readonly ownRope?: boolean | null;
  /** One for each turn; null where the student is not there. Empty before the lesson is planned. */
  readonly places: readonly (LessonPlace | null)[];
}

/**
 * How far a lesson has come: step 0 is the warm-up, then the turns, then the close. Its minutes may be
 * others than planned.
 */
export interface LessonProgress extends BegunStep {
  readonly skipped: readonly number[];
  /** The steps before this one as they were left, for the way back; left out by devices of an older version. */
  readonly trail?: readonly BegunStep[];
  /** When the steps began that were taken back: said late, they count no more. The server's own. */
  readonly takenBack?: readonly string[];
}

export interface BegunStep {
  readonly step: number;
  /** When the step began, an ISO instant; it tells the step from one that another device began. */
  readonly startedAt: string;
  readonly minutes: number;
}

/** Of steps that were taken back so many are known. */
export const MOST_TAKEN_BACK = 60;

export interface LessonView {
  readonly id: string;
  readonly version: number;
  /** Null for everybody of the studio, or a lesson of no group. */
  readonly groupId: string | null;
  readonly title: string;
  readonly day: LocalDate;
  /** `HH:MM` in the studio's time zone. */
  readonly startTime: string | null;
  readonly minutes: number;
  readonly place: string;
  /** Null while nobody planned it. */
  readonly plan: LessonPlan | null;
  readonly students: readonly LessonStudent[];
  /** Null before it begins. */
  readonly progress: LessonProgress | null;
  readonly finishedAt: string | null;
}

export type NewLesson = Pick<LessonView, "id" | "title" | "day" | "minutes"> &
  Partial<Pick<LessonView, "groupId" | "startTime" | "place" | "plan" | "students">>;

export const MAX_LESSONS = 200;

export interface LessonsRequest {
  readonly lessons: readonly NewLesson[];
}

/** What a plan has a student do; who comes is the hall's to say. */
export type PlannedPlaces = Pick<LessonStudent, "studentId" | "places">;

/**
 * A change of some fields, made from what had `version`. Of the students it says the places alone: who is not
 * named keeps theirs, and nobody comes to the lesson or leaves it by a plan.
 */
export type LessonChange = Partial<
  Pick<LessonView, "title" | "day" | "startTime" | "minutes" | "place" | "plan">
> & { readonly version: number; readonly students?: readonly PlannedPlaces[] };

/** When something was tapped, by the server's clock as far as the device knows it; as it comes, where nothing is said. */
export interface Tapped {
  readonly at?: string;
}

/**
 * What happens in the hall: no version, so that no tap is refused. Attendance and ropes are by student. Of each thing
 * the word counts that was said last, whenever it comes.
 */
export interface LessonRun extends Tapped {
  readonly attendance?: Readonly<Record<string, Attendance>>;
  /** Who has a rope along, by student. */
  readonly ownRopes?: Readonly<Record<string, boolean>>;
  readonly progress?: LessonProgress | null;
  /** When the step began that this takes back: it goes to one before it. */
  readonly takesBack?: string;
  readonly finished?: boolean;
}

/** What a student did of one side on the lesson's day. */
export interface DoneSide {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
  readonly sets: number;
  readonly tries: number;
  readonly clean: number;
  readonly bestStreak: number;
}

/** Which lessons: from a day to a day, both included. */
export interface LessonsQuery {
  readonly from: LocalDate;
  readonly to: LocalDate;
}

/** What is not at hand keeps options out. */
export interface ClassOptionsQuery {
  readonly missing: readonly Precaution[];
}

export interface ClassStudentView extends Required<Omit<ClassStudent, "from" | "until">> {
  readonly name: string;
  /** Whether jumping has ended for this student today. */
  readonly hasStopped: boolean;
}

/** Two students who are to be at no station of a class together, or at the same. */
export const PAIR_WISHES = ["apart", "together"] as const;
export type PairWish = (typeof PAIR_WISHES)[number];

export interface StudentPair {
  readonly students: readonly [string, string];
  readonly wish: PairWish;
}

/** What two are to be from now on; null for nothing. */
export interface PairChange {
  readonly students: readonly [string, string];
  readonly wish: PairWish | null;
}

/** What is asked of a plan: minutes, how the student comes, and sides such as `cross:left`. */
export interface PlanQuery {
  readonly minutes: number;
  readonly energy: Energy;
  readonly ban: readonly string[];
  readonly pin: readonly string[];
  /** Sides with so many sets more, such as `cross:left:2`. */
  readonly more: readonly string[];
  readonly missing: readonly Precaution[];
}

export interface WeeksQuery {
  readonly until: LocalDate;
  /** Lessons a week; the days of the student's groups where it is left out. */
  readonly perWeek?: number;
  /** Tries toward the goals in a lesson; what the last lessons had where it is left out. */
  readonly tries?: number;
  readonly goal?: string | readonly string[];
}

/** A group's weeks; every student's way is to the same goals. */
export interface ClassWeeksQuery {
  readonly until: LocalDate;
  readonly goal: string | readonly string[];
  /** Lessons a week; the group's own day where it is left out. */
  readonly perWeek?: number;
  /** Tries toward the goals in a lesson; what each had lately where it is left out. */
  readonly tries?: number;
}

export interface ClassWeeksView extends Pick<ClassWeeksPlan, "weeks" | "likely" | "chanceOfAll" | "gives"> {
  readonly goals: readonly Goal[];
  readonly until: LocalDate;
  readonly lessonsAWeek: number;
  readonly students: readonly ({ readonly studentId: string; readonly name: string } & Pick<
    WeeksPlan,
    "outlook" | "chance" | "lessonsNeeded"
  >)[];
}

export interface WeeksView extends WeeksPlan {
  readonly goals: readonly Goal[];
  /** What would have to give for it to be likely; nothing where it is. */
  readonly gives: readonly Give[];
  readonly until: LocalDate;
  readonly lessonsAWeek: number;
  readonly triesALesson: number;
  /** Null where nothing is judged yet. */
  readonly allowance: number | null;
}
