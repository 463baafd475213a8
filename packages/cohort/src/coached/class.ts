/**
 * A simulated class over some weeks: the same children, held by a class plan or by simpler ways, and what each has
 * cleared at the end. Partners take turns, so that half of a turn is jumped; where three do, a third.
 */
import type { Drill, Side, Syllabus } from "@mirrup/core";
import {
  classOptions,
  classTimes,
  planClass,
  CLASS_LIMITS,
  CLASS_WEIGHTS,
  type ClassAsked,
} from "@mirrup/core/planning";
import { nextDrills, type LearnerModel } from "@mirrup/core/teaching";
import { CoachedStudent } from "./coached.js";
import type { Person } from "./people.js";

export interface ClassCoaching {
  readonly syllabus: Syllabus;
  readonly model: LearnerModel;
  readonly people: readonly Person[];
  readonly asked: ClassAsked;
  readonly lessons: number;
  /** How the tries fall; the same people with other luck are another run of the same class. */
  readonly luck?: number;
}

/** What one child does in a turn, and the share of it that they jump. */
interface Task {
  readonly of: Side;
  readonly drill: Drill;
  readonly share: number;
}

interface Child {
  readonly student: CoachedStudent;
  readonly strongerSide: "left" | "right";
}

/** Calls `work` for each child's task of each turn, in the order of the lesson; `minutes` are those at the drill. */
type Way = (
  children: readonly Child[],
  coaching: ClassCoaching,
  work: (child: Child, task: Task, minutes: number) => void,
) => void;

const NONE_MISSING: ReadonlySet<never> = new Set();
/** Seconds between two sets, for the partner to count and to say. */
const BETWEEN = 15;
const LEAST_SECONDS = 20;
const PAIR = 1 / 2;
const THREE = 1 / 3;

const nextOf = ({ student, strongerSide }: Child) => nextDrills(student.reading, { strongerSide });

function optionsOf(child: Child) {
  const { reading } = child.student;
  return classOptions({ reading, next: nextOf(child), underGoals: new Set(), missing: NONE_MISSING });
}

const workingMinutes = ({ asked }: ClassCoaching) =>
  classTimes(asked.minutes, asked.turns).turns.map((one) => Math.max(0, one - CLASS_LIMITS.change));

/** Mirrup's class plan: who is where as it was planned, and there the drill that comes next when the turn begins. */
const byPlan: Way = (children, coaching, work) => {
  const { asked, syllabus } = coaching;
  const students = children.map((child, place) => ({
    ...{ id: String(place), options: optionsOf(child), heightMm: null },
    ...{ landingsLeft: null, multiplesLeft: null },
  }));
  const plan = planClass(asked, students);
  plan.rotations.forEach(({ minutes, stations }, turn) => {
    children.forEach((child, number) => {
      const place = plan.students[number]?.places[turn] ?? null;
      const subject = place === null ? null : (stations[place.station]?.subject ?? null);
      if (place === null || subject === null) return;
      const { side, drill } = optionsOf(child).find((one) => one.subject === subject) ?? place;
      const of = syllabus.find(subject, side);
      if (of !== null) work(child, { of, drill, share: PAIR }, minutes - CLASS_LIMITS.change);
    });
  });
};

/** One drill for everybody at a time: what counts most for all together; whoever may not do it stands by. */
const oneForAll: Way = (children, coaching, work) => {
  const options = children.map(optionsOf);
  const done = new Map<string, number>();
  for (const minutes of workingMinutes(coaching)) {
    const worths = new Map<string, number>();
    for (const { subject, worth } of options.flat())
      worths.set(
        subject,
        (worths.get(subject) ?? 0) + worth * CLASS_WEIGHTS.again ** (done.get(subject) ?? 0),
      );
    const [best] = [...worths].sort(([, one], [, other]) => other - one);
    if (best === undefined) return;
    const [subject] = best;
    done.set(subject, (done.get(subject) ?? 0) + 1);
    children.forEach((child, place) => {
      const option = options[place]?.find((one) => one.subject === subject);
      const of = option === undefined ? null : coaching.syllabus.find(subject, option.side);
      if (option !== undefined && of !== null) work(child, { of, drill: option.drill, share: PAIR }, minutes);
    });
  }
};

/** Each child's own next, of the first so many in turn, as they stand when the turn begins. */
function ownNext(many: number, share: number): Way {
  return (children, coaching, work) => {
    workingMinutes(coaching).forEach((minutes, turn) => {
      for (const child of children) {
        const next = nextOf(child);
        const task = next[Math.min(turn % many, next.length - 1)];
        if (task !== undefined) work(child, { of: task.of, drill: task.drill, share }, minutes);
      }
    });
  };
}

/** A class plan, and what it is held against. */
export const CLASS_WAYS = {
  plan: byPlan,
  "one drill for everybody": oneForAll,
  "own next in threes": ownNext(3, THREE),
  "own next alone": ownNext(1, PAIR),
} as const satisfies Readonly<Record<string, Way>>;
export type ClassWay = keyof typeof CLASS_WAYS;

/** So many sets of a drill as a child's share of the minutes holds. */
function jump({ student }: Child, { of, drill, share }: Task, minutes: number): void {
  let seconds = 60 * minutes * share;
  while (seconds > 0) seconds -= Math.max(LEAST_SECONDS, student.run({ of, drill, chance: null }) + BETWEEN);
}

const clearedBy = ({ student }: Child) =>
  student.facts.entries().filter(([, facts]) => facts.cleared !== null).length;

/** By child, in the order of the people: the sides that were cleared in these lessons. The same for the same people. */
export function heldClass(coaching: ClassCoaching, way: ClassWay): readonly number[] {
  const { syllabus, model, people, lessons, luck } = coaching;
  const children = people.map(({ begin, goal, placed, strongerSide }): Child => {
    const student = new CoachedStudent({
      syllabus,
      model,
      learner: begin(luck),
      goal,
      placed,
      isEndless: true,
    });
    return { student, strongerSide };
  });
  const before = children.map(clearedBy);
  for (let lesson = 0; lesson < lessons; lesson += 1) {
    CLASS_WAYS[way](children, coaching, jump);
    for (const { student } of children) student.beginLesson();
  }
  return children.map((child, place) => clearedBy(child) - (before[place] ?? 0));
}
