/**
 * What opens what, and where everybody stands: the skills in columns by how many steps away they are. A step
 * clears all that is open; so cleared is 0, open 1, and what opens once the open is cleared 2. For several students
 * the column is that of most of them, which keeps every need to the left of what needs it.
 *
 * One pass over the sides a student, O(students · (sides + needs)); the reduction of the cords is
 * O(cords · skills) over what is shown.
 */
import { cellOf } from "../grid.js";
import type { Status } from "../record/standing.js";
import { isMet } from "../record/standing.js";
import type { Side, Way } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";

/** How a student stands with one side, as far as the frontier asks. */
export interface FrontierStatus {
  readonly status: Status;
  readonly isStuck: boolean;
}

/** One student: how each side stands. */
export type StatusOfSides = (side: Side) => FrontierStatus;

export interface FrontierBead {
  readonly subject: string;
  /** The steps until most have cleared it; 0 where they have. */
  readonly step: number;
  /** How many students have cleared it whole, have a side of it open, are stuck with it, or have it open next. */
  readonly cleared: number;
  readonly open: number;
  readonly stuck: number;
  readonly next: number;
}

/** One skill asked by another. */
export interface Cord {
  readonly from: string;
  readonly to: string;
}

export interface Frontier {
  /** In the catalogue's order. */
  readonly beads: readonly FrontierBead[];
  /** Every one leads to a later column; one that others imply is left out. */
  readonly cords: readonly Cord[];
  /** All needs among the beads, those left out too. */
  readonly needs: readonly Cord[];
  /** How many skills are cleared by most, shown or not. */
  readonly cleared: number;
}

export interface FrontierAsked {
  /** How many columns beyond what is open; all where null. */
  readonly ahead?: number | null;
  /** Which skills are asked for; what they still need comes with them. */
  readonly isAsked?: (subject: string) => boolean;
}

const CLEARED = 0;
const OPEN = 1;
const NEXT = 2;
const DEFAULT_AHEAD = 1;

/** The steps of each side, by its place. What is locked with all it names cleared waits for a count or the base test. */
function stepsOf({ sides, baseTest }: Syllabus, statusOf: StatusOfSides): readonly number[] {
  const steps: number[] = [];
  const ofWay = (way: Way) =>
    Math.max(CLEARED, ...way.map(({ of }) => (of === baseTest ? CLEARED : cellOf(steps, of.index))));
  for (const side of sides) {
    const { status } = statusOf(side);
    if (isMet(status)) steps.push(CLEARED);
    else if (status !== "locked") steps.push(OPEN);
    else steps.push(1 + Math.max(OPEN, ...side.needs.map((ways) => Math.min(...ways.map(ofWay)))));
  }
  return steps;
}

/** The middle one, the further of two: nothing is taken for cleared that not more than half have cleared. */
function middle(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((one, other) => one - other);
  return sorted[Math.floor(sorted.length / 2)] ?? CLEARED;
}

interface Counted extends FrontierBead {
  readonly sides: readonly Side[];
}

function countedOf(syllabus: Syllabus, students: readonly StatusOfSides[]): readonly Counted[] {
  const steps = students.map((statusOf) => stepsOf(syllabus, statusOf));
  return syllabus.catalogue.order.map((subject) => {
    const sides = syllabus.sidesOf(subject);
    const each = steps.map((own) => {
      const left = sides.map(({ index }) => cellOf(own, index)).filter((step) => step > CLEARED);
      return left.length === 0 ? CLEARED : Math.min(...left);
    });
    const at = (step: number) => each.filter((one) => one === step).length;
    return {
      ...{ subject, sides, step: middle(each) },
      ...{ cleared: at(CLEARED), open: at(OPEN), next: at(NEXT) },
      stuck: students.filter((statusOf) => sides.some((side) => statusOf(side).isStuck)).length,
    };
  });
}

/** The skills that a skill asks for: of each either, the way that most are through first. */
function askedBy(
  { sides, subject }: Counted,
  stepOf: (subject: string) => number,
  isAsked: (subject: string) => boolean,
): readonly string[] {
  const asked = sides.flatMap(({ needs }) =>
    needs.flatMap((ways) => {
      // A path has chosen its ways already: they come before what it passed by.
      const worth = (way: Way) => {
        const isChosen = way.every(({ of }) => stepOf(of.subject) === CLEARED || isAsked(of.subject));
        return [isChosen ? 0 : 1, Math.max(CLEARED, ...way.map(({ of }) => stepOf(of.subject)))] as const;
      };
      const [best] = [...ways].sort((one, other) => {
        const [[a, b], [c, d]] = [worth(one), worth(other)];
        return a - c || b - d;
      });
      return best?.map(({ of }) => of.subject) ?? [];
    }),
  );
  return [...new Set(asked)].filter((one) => one !== subject);
}

/** The cords without those that follow from two others or more. */
function reduced(cords: readonly Cord[], order: readonly string[]): readonly Cord[] {
  const into = new Map<string, string[]>();
  for (const { from, to } of cords) into.set(to, [...(into.get(to) ?? []), from]);
  const above = new Map<string, ReadonlySet<string>>();
  // Each after all that it needs.
  for (const subject of order) {
    const own = into.get(subject) ?? [];
    above.set(subject, new Set(own.flatMap((from) => [from, ...(above.get(from) ?? [])])));
  }
  return cords.filter(
    ({ from, to }) => !(into.get(to) ?? []).some((via) => via !== from && above.get(via)?.has(from) === true),
  );
}

/** The frontier of one student or of several; with nobody it is empty. */
export function frontierOf(
  syllabus: Syllabus,
  students: readonly StatusOfSides[],
  { ahead = DEFAULT_AHEAD, isAsked = () => true }: FrontierAsked = {},
): Frontier {
  if (students.length === 0) return { beads: [], cords: [], needs: [], cleared: 0 };
  const all = countedOf(syllabus, students);
  const bySubject = new Map(all.map((one) => [one.subject, one]));
  const stepOf = (subject: string) => bySubject.get(subject)?.step ?? CLEARED;
  const last = ahead === null ? Infinity : OPEN + ahead;
  const shown = new Set<string>();
  const needs: Cord[] = [];
  const show = (bead: Counted): void => {
    if (shown.has(bead.subject)) return;
    shown.add(bead.subject);
    // What is cleared ends it: what that once needed is no news.
    if (bead.step === CLEARED) return;
    for (const from of askedBy(bead, stepOf, isAsked)) {
      needs.push({ from, to: bead.subject });
      const asked = bySubject.get(from);
      if (asked !== undefined) show(asked);
    }
  };
  for (const bead of all) {
    if (bead.step > CLEARED && bead.step <= last && isAsked(bead.subject)) show(bead);
  }
  const onward = needs.filter(({ from, to }) => stepOf(from) < stepOf(to));
  return {
    beads: all
      .filter(({ subject }) => shown.has(subject))
      .map(({ subject, step, cleared, open, stuck, next }) => ({
        subject,
        step,
        cleared,
        open,
        stuck,
        next,
      })),
    cords: reduced(onward, syllabus.catalogue.order),
    needs,
    cleared: all.filter(({ step }) => step === CLEARED).length,
  };
}

/** A bead, all that it needs of what is shown, and all that it leads to. */
export function kinOfBead({ needs }: Pick<Frontier, "needs">, subject: string): ReadonlySet<string> {
  const walk = (along: (cord: Cord) => readonly [string, string]) => {
    const onward = new Map<string, string[]>();
    for (const cord of needs) {
      const [here, there] = along(cord);
      onward.set(here, [...(onward.get(here) ?? []), there]);
    }
    const found = new Set([subject]);
    // A set is walked through what is added to it on the way.
    for (const one of found) for (const other of onward.get(one) ?? []) found.add(other);
    return found;
  };
  return new Set([...walk(({ from, to }) => [to, from]), ...walk(({ from, to }) => [from, to])]);
}
