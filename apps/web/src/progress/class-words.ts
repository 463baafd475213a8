/** What a class's period says: who needs looking at, what holds them up, and how honest the odds were. */
import { DRILLS } from "@mirrup/catalogue";
import type { ClassProgressView, RefittedNumber, RefitView, StudentProgress } from "@mirrup/contract";
import { grouped, isDrillKind, type SubjectSide } from "@mirrup/core";
import { AWAY_DAYS, type Odds, type PracticeDay } from "@mirrup/core/teaching";
import { ownDay } from "../app/own-day.js";
import type { Sheet } from "../app/sheet.js";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { capital, dateWords, listWords, percentWords, skillName, subjectName } from "../app/words.js";

/** Somebody with why they need looking at. */
export interface LookAt {
  readonly student: StudentProgress;
  readonly why: string;
}

export interface Concern {
  readonly title: string;
  /** What is said where it is true of nobody. */
  readonly none: string;
  readonly students: readonly LookAt[];
}

const dayWords = (at: string | null) =>
  at === null ? "never practised" : `last on ${dateWords(ownDay(at))}`;

/** Who of a class needs looking at, by why; nobody is named where nothing was counted of anybody. */
export function concernsOf(students: readonly StudentProgress[]): readonly Concern[] {
  const told = (
    is: (student: StudentProgress) => boolean,
    why: (student: StudentProgress) => string,
  ): readonly LookAt[] => students.filter(is).map((student) => ({ student, why: why(student) }));
  return [
    {
      title: `Not seen for ${AWAY_DAYS} days`,
      none: "Everybody has practised lately.",
      students: told(
        ({ isAway }) => isAway,
        ({ lastAt }) => dayWords(lastAt),
      ),
    },
    {
      title: "Standing still",
      none: "Everybody who practised has cleared something.",
      students: told(
        ({ standsStill }) => standsStill,
        ({ days }) => `nothing cleared in ${counted(days, "day")} of practice`,
      ),
    },
    {
      title: "Stuck",
      none: "Nobody is stuck on anything.",
      students: told(
        ({ stuck }) => stuck.length > 0,
        ({ stuck }) => listWords(stuck.map(({ subject, side }) => subjectName(subject, side))),
      ),
    },
    {
      title: "One side behind",
      none: "Nobody’s weaker side falls behind.",
      students: told(
        ({ behind }) => behind !== null,
        ({ behind }) =>
          behind === null
            ? ""
            : `${skillName(behind.subject)}: ${behind.weaker} ${percentWords(behind.chance)}, the other ${percentWords(behind.other)}`,
      ),
    },
  ];
}

export interface HoldUp extends SubjectSide {
  readonly students: readonly StudentProgress[];
}

/** What is first on the way of most, with whom it holds up; what holds up only one is theirs alone. */
export function holdUpsOf(students: readonly StudentProgress[]): readonly HoldUp[] {
  const held = students.flatMap((student) => student.heldUpBy.map((side) => ({ student, side })));
  return [...grouped(held, ({ side: { subject, side } }) => `${subject} ${side}`).values()]
    .flatMap((own): HoldUp[] => {
      const [first] = own;
      return first === undefined
        ? []
        : [
            {
              subject: first.side.subject,
              side: first.side.side,
              students: own.map(({ student }) => student),
            },
          ];
    })
    .sort((one, other) => other.students.length - one.students.length);
}

export function attendanceWords(students: readonly StudentProgress[]): string {
  const came = students.reduce((sum, one) => sum + one.came, 0);
  const all = came + students.reduce((sum, one) => sum + one.missing, 0);
  return all === 0
    ? "Nobody was marked as come or away in this time."
    : `${percentWords(came / all)} of the places in lessons were taken.`;
}

/** What was said and what came, by something of the drill. */
export interface OddsRow extends Odds {
  readonly name: string;
}

/** Fewer sets tell nothing. */
const LEAST_SETS = 20;

function rowsOf(odds: readonly (readonly [string, Odds])[]): readonly OddsRow[] {
  return [...grouped(odds, ([name]) => name)]
    .map(([name, own]) => ({
      name,
      sets: own.reduce((sum, [, one]) => sum + one.sets, 0),
      said: own.reduce((sum, [, one]) => sum + one.said, 0),
      came: own.reduce((sum, [, one]) => sum + one.came, 0),
    }))
    .filter(({ sets }) => sets >= LEAST_SETS)
    .sort((one, other) => other.sets - one.sets);
}

/** How honest the odds were, by class of skill and by kind of drill; where few sets tell of it, nothing. */
export function oddsRows(days: readonly PracticeDay[]): {
  readonly classes: readonly OddsRow[];
  readonly kinds: readonly OddsRow[];
} {
  const all = days.flatMap((day) => Object.entries(day.odds).map(([kind, odds]) => ({ day, kind, odds })));
  return {
    classes: rowsOf(
      all.flatMap(({ day, odds }) => {
        const skillClass = catalogue().skills.get(day.subject)?.skillClass;
        return skillClass === undefined ? [] : [[capital(skillClass), odds] as const];
      }),
    ),
    kinds: rowsOf(
      all.map(({ kind, odds }) => [isDrillKind(kind) ? capital(DRILLS[kind].name) : kind, odds] as const),
    ),
  };
}

const REFIT_OF: Readonly<Record<RefittedNumber["of"], (key: string) => string>> = {
  startMiss: (key) => `the miss at a first try of a ${key}`,
  pace: (key) => `the tries that halve the misses of a ${key}`,
  shares: (key) => `the misses that “${isDrillKind(key) ? DRILLS[key].name : key}” leaves`,
  halfLifeDays: () => "the days after which a set counts for half",
  halfLifeTries: () => "the tries after which a set counts for half",
  aloneWeight: () => "what a try that a student counts alone weighs against one that was seen",
};
/** These are counted; what else is refitted is a share. */
const COUNTED: ReadonlySet<RefittedNumber["of"]> = new Set(["pace", "halfLifeDays", "halfLifeTries"]);
const MOST_CHANGES = 4;

/** What refitting has changed, in a sentence. */
export function refitWords({ version, at, sets, changed }: RefitView): string {
  if (version === 0 || at === null)
    return "The odds go by the handbook’s numbers: there is too little in the log yet to learn from.";
  const when = `The odds were fitted to this studio’s own log on ${dateWords(ownDay(at))}, from ${counted(sets, "set")}.`;
  if (changed.length === 0) return `${when} Nothing came out another by a tenth or more.`;
  const number = ({ of, from, to }: RefittedNumber) =>
    COUNTED.has(of)
      ? `${Math.round(from)} to ${Math.round(to)}`
      : `${percentWords(from)} to ${percentWords(to)}`;
  const told = changed
    .slice(0, MOST_CHANGES)
    .map((one) => `${REFIT_OF[one.of](one.key)} from ${number(one)}`);
  return `${when} Changed most: ${listWords(told)}.`;
}

/** The students of a period as a table for other programs. */
export function classSheet({ students }: Pick<ClassProgressView, "students">): Sheet {
  const fields = [
    "Student",
    "Last practised",
    "Came",
    "Away",
    "Days",
    "Clean",
    "Missed",
    "Landings",
    "Cleared",
  ];
  const rows = students.map((one) => [
    ...[
      one.name,
      one.lastAt === null ? "" : ownDay(one.lastAt),
      one.came,
      one.missing,
      one.days,
      one.clean,
      one.missed,
    ],
    ...[Math.round(one.landings), one.cleared.length],
  ]);
  return { fields, rows };
}
