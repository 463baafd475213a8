/** What a student's record is asked, and what it answers: for all that they do, and for one skill. */
import { DRILLS, FAULTS } from "@mirrup/catalogue";
import type { ClearedSide, ProgressView, SideProgressView, StandingItem } from "@mirrup/contract";
import { FAMILIES, grouped, isDrillKind, SIDE_NAMES, type FaultCode, type SideName } from "@mirrup/core";
import {
  addPractice,
  faultsGone,
  NO_PRACTICE,
  oddsOf,
  type PracticeDay,
  type PracticeSums,
} from "@mirrup/core/teaching";
import { ownDay } from "../app/own-day.js";
import { familyOf } from "../app/family.js";
import { counted, pluralOf } from "../app/plural.js";
import {
  capital,
  dateWords,
  FAMILY_NAMES,
  gateWords,
  listWords,
  percentWords,
  skillName,
  subjectName,
  wholeWords,
} from "../app/words.js";
import type { Ink, Question, Series } from "./question.js";

const day = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });

/** A day as a chart has room for: `8 Jun`. */
export const dayLabel = (one: string) => day.format(new Date(`${one}T00:00:00Z`));

const triesOf = ({ clean, missed }: Pick<PracticeSums, "clean" | "missed">) => clean + missed;
const sum = <T>(all: readonly T[], of: (one: T) => number) => all.reduce((total, one) => total + of(one), 0);
const percent = (part: number, of: number) => (of === 0 ? null : (100 * part) / of);

/** The starts of a period's weeks, and in which of them a day is. */
function weeksOf({ weeks }: ProgressView) {
  const starts = weeks.map(({ weekStart }) => weekStart);
  const place = (on: string) => starts.findLastIndex((start) => start <= on);
  return { labels: starts.map(dayLabel), starts, place };
}

const FAMILY_INK = {
  footwork: "family-footwork",
  "side-swings": "family-side-swings",
  crosses: "family-crosses",
  multiples: "family-multiples",
} as const satisfies Record<string, Ink>;

function sidesWords(sides: readonly ClearedSide[]): string {
  const families = FAMILIES.flatMap((family) => {
    const many = sides.filter(({ subject }) => familyOf(subject) === family).length;
    return many === 0 ? [] : [`${many} of ${FAMILY_NAMES[family].toLowerCase()}`];
  });
  return listWords(families);
}

/** How many sides were cleared, week by week and by family. */
export function clearedQuestion(view: ProgressView): Question {
  const { labels, starts, place } = weeksOf(view);
  const { cleared } = view;
  const series = FAMILIES.map((family): Series => {
    const values = starts.map(() => 0);
    for (const { subject, day: on } of cleared) {
      const week = place(on);
      if (familyOf(subject) === family && week >= 0) values[week] = (values[week] ?? 0) + 1;
    }
    return { name: FAMILY_NAMES[family], values, as: "bar", ink: FAMILY_INK[family] };
  });
  const last = cleared.at(-1);
  const sentence =
    last === undefined
      ? "No side was cleared in this time."
      : `${counted(cleared.length, "side")} cleared: ${sidesWords(cleared)}. The last was the ${subjectName(last.subject, last.side)}, on ${dateWords(last.day)}.`;
  return {
    ...{ id: "cleared", title: "What was cleared", sentence, along: "Week of", labels, series },
    ...{ isStacked: true, unit: "sides" },
  };
}

/** Days as one sum each, in order. */
function byDay(days: readonly PracticeDay[]): readonly (readonly [string, PracticeSums])[] {
  return [...grouped(days, (one) => one.day)]
    .map(([on, own]) => [on, own.reduce<PracticeSums>(addPractice, NO_PRACTICE)] as const)
    .sort(([one], [other]) => (one < other ? -1 : 1));
}

/** How much was tried at each lesson, and how much of it came. */
export function triesQuestion({ days }: Pick<ProgressView, "days">): Question {
  const lessons = byDay(days);
  const seen = lessons.filter(([, sums]) => triesOf(sums) > 0);
  const all = days.reduce<PracticeSums>(addPractice, NO_PRACTICE);
  const alone = all.aloneClean + all.aloneMissed;
  const aloneWords = alone === 0 ? "" : ` Alone, seen by nobody: ${counted(alone, "try", "tries")}.`;
  const share = percent(all.clean, triesOf(all));
  const sentence =
    share === null
      ? `Nothing was counted in this time.${aloneWords}`
      : `${counted(triesOf(all), "try", "tries")} in ${counted(seen.length, "lesson")}, ${percentWords(share / 100)} of them clean.${aloneWords}`;
  const of = (value: (sums: PracticeSums) => number) => lessons.map(([, sums]) => value(sums));
  return {
    ...{ id: "tries", title: "How much was tried", sentence, along: "Lesson" },
    labels: lessons.map(([on]) => dayLabel(on)),
    series: [
      { name: "clean", values: of(({ clean }) => clean), as: "bar", ink: "ink" },
      { name: "missed", values: of(({ missed }) => missed), as: "bar", ink: "signal" },
      ...(alone === 0
        ? []
        : [
            {
              ...({ name: "alone", as: "bar", ink: "rule" } as const),
              values: of(({ aloneClean, aloneMissed }) => aloneClean + aloneMissed),
            },
          ]),
    ],
    ...{ isStacked: true, unit: "tries" },
  };
}

/** What the weeks asked of the legs, and what they might have. */
export function landingsQuestion(view: ProgressView): Question {
  const { weeks } = view;
  const past = weeks.filter(({ landings, allowance }) => allowance !== null && landings > allowance);
  const most = [...weeks].sort((one, other) => other.landings - one.landings)[0];
  const isJudged = weeks.some(({ allowance }) => allowance !== null);
  const over = !isJudged
    ? ""
    : past.length === 0
      ? " No week went past its allowance."
      : ` Past the allowance: ${pluralOf(past.length, "the week", "the weeks")} of ${listWords(past.map(({ weekStart }) => dayLabel(weekStart)))}.`;
  const isMarked = weeks.some(({ estimated }) => estimated > 0);
  const sentence =
    most === undefined || most.landings === 0
      ? "Nothing was jumped in this time."
      : `At the most ${isMarked ? "about " : ""}${wholeWords(most.landings)} weighted landings a week.${over}`;
  return {
    ...{ id: "landings", title: "What it asked of the legs", sentence, along: "Week of" },
    labels: weeks.map(({ weekStart }) => dayLabel(weekStart)),
    series: [
      { name: "landings", values: weeks.map(({ landings }) => landings), as: "bar", ink: "ink-soft" },
      ...(isJudged
        ? [
            {
              ...({ name: "allowance", as: "limit", ink: "signal" } as const),
              values: weeks.map(({ allowance }) => allowance),
            },
          ]
        : []),
    ],
    ...{ isStacked: false, unit: "weighted landings" },
  };
}

/** As many faults as stay apart in a chart; the rest stand together. */
const MOST_FAULTS = 4;
const FAULT_INKS = ["ink", "signal", "ink-soft", "edge"] as const satisfies readonly Ink[];

function faultName(fault: string): string {
  return fault in FAULTS ? FAULTS[fault as FaultCode].name : fault;
}

const kindName = (kind: string) => (isDrillKind(kind) ? DRILLS[kind].name : kind);

/** Of whom a question is asked: of one skill of a student's, of all of them, or of a class as one. */
type Asked = "skill" | "student" | "class";

function goneWords(days: readonly PracticeDay[], asked: Asked): string {
  // Of a class nobody's own fault can be seen.
  const [gone] = asked === "class" ? [] : faultsGone(days);
  if (gone === undefined) return "";
  const ofOne = gone.side === "whole" ? "" : ` on the ${gone.side}`;
  const where = asked === "skill" ? ofOne : ` at the ${subjectName(gone.subject, gone.side)}`;
  const after = gone.after.length === 0 ? "" : `, after ${listWords(gone.after.map(kindName))}`;
  return ` Gone since ${dateWords(gone.lastOn)}${where}: “${faultName(gone.fault)}”, noted ${gone.noted} times before and not in ${gone.triesSince} tries since${after}.`;
}

/** Why it missed, week by week, and which fault went away. */
export function faultsQuestion(view: ProgressView, asked: Asked = "student"): Question {
  const { labels, starts, place } = weeksOf(view);
  const all = view.days.reduce<PracticeSums>(addPractice, NO_PRACTICE);
  const most = Object.entries(all.faults).sort(([, one], [, other]) => other - one);
  const named = most.slice(0, MOST_FAULTS).map(([fault]) => fault);
  const within = (of: (one: PracticeDay) => number) =>
    starts.map((_, week) =>
      sum(
        view.days.filter((one) => place(one.day) === week),
        of,
      ),
    );
  const noted = sum(most, ([, many]) => many);
  const rest = most.slice(MOST_FAULTS);
  const sentence =
    noted === 0
      ? `Of ${counted(all.missed, "miss", "misses")} nobody noted why.`
      : `${counted(noted, "miss has", "misses have")} a fault noted, of ${wholeWords(all.missed)}. Most often: ${listWords(named.slice(0, 3).map((fault) => `${faultName(fault)} (${all.faults[fault] ?? 0})`))}.${goneWords(view.days, asked)}`;
  return {
    ...{ id: "faults", title: "Why it missed", sentence, along: "Week of", labels },
    series: [
      ...named.map((fault, index): Series => ({
        ...{ name: faultName(fault), as: "bar", ink: FAULT_INKS[index] ?? "ink" },
        values: within(({ faults }) => faults[fault] ?? 0),
      })),
      ...(rest.length === 0
        ? []
        : [
            {
              ...({ name: "others", as: "bar", ink: "rule" } as const),
              values: within(({ faults }) => sum(rest, ([fault]) => faults[fault] ?? 0)),
            },
          ]),
    ],
    ...{ isStacked: true, unit: "misses" },
  };
}

/** Behind by so much, a side is worth a word. */
const BEHIND = 0.1;
const MOST_SKILLS = 10;

/** How likely a clean try is on the left and on the right, for what was practised on both. */
export function sidesQuestion(view: ProgressView, standings: readonly StandingItem[]): Question {
  const practised = grouped(
    view.days.filter(({ side }) => side !== "whole"),
    ({ subject }) => subject,
  );
  const chance = (subject: string, side: SideName) =>
    standings.find((one) => one.subject === subject && one.side === side)?.cleanChance ?? 0;
  const skills = [...practised]
    .filter(([subject]) => standings.some((one) => one.subject === subject))
    .map(([subject, days]) => {
      const [left, right] = [chance(subject, "left"), chance(subject, "right")];
      return { subject, tries: sum(days, triesOf), left, right, apart: Math.abs(left - right) };
    })
    .sort((one, other) => other.tries - one.tries)
    .slice(0, MOST_SKILLS)
    .sort((one, other) => other.apart - one.apart);
  const behind = skills.filter(({ apart }) => apart >= BEHIND);
  const worst = behind[0];
  const weaker = ({ left, right }: { readonly left: number; readonly right: number }) =>
    left < right ? "left" : "right";
  const sentence =
    skills.length === 0
      ? "Nothing with two sides was practised in this time."
      : worst === undefined
        ? "Both sides of everything are within one in ten of each other."
        : `One side is behind in ${counted(behind.length, "skill")}, most at the ${skillName(worst.subject)}: ${weaker(worst)} ${percentWords(Math.min(worst.left, worst.right))}, the other ${percentWords(Math.max(worst.left, worst.right))}.`;
  return {
    ...{ id: "sides", title: "Left against right", sentence, along: "Skill" },
    labels: skills.map(({ subject }) => capital(skillName(subject))),
    series: [
      { name: "left", values: skills.map(({ left }) => 100 * left), as: "bar", ink: "ink" },
      { name: "right", values: skills.map(({ right }) => 100 * right), as: "bar", ink: "signal" },
    ],
    ...{ isStacked: false, unit: "% of tries clean", most: 100 },
  };
}

/** Fewer sets tell nothing of how honest the odds are. */
const LEAST_SAID = 20;

/** What was said before sets, and what came. */
export function saidQuestion(view: ProgressView): Question {
  const { labels, starts, place } = weeksOf(view);
  const weeks = starts.map((_, week) =>
    oddsOf(view.days.filter((one) => place(one.day) === week).reduce<PracticeSums>(addPractice, NO_PRACTICE)),
  );
  const all = oddsOf(view.days.reduce<PracticeSums>(addPractice, NO_PRACTICE));
  const outOf = (part: number) => Math.round((10 * part) / all.sets);
  const sentence =
    all.sets === 0
      ? "No set was begun from what was proposed."
      : `Of ${counted(all.sets, "set")} that were proposed, ${outOf(all.said)} in 10 were said to pass, and ${outOf(all.came)} in 10 did.${all.sets < LEAST_SAID ? " That is too few to judge by." : ""}`;
  return {
    ...{ id: "said", title: "Said, and came", sentence, along: "Week of", labels },
    series: [
      {
        name: "said",
        values: weeks.map(({ said, sets }) => percent(said, sets)),
        as: "line",
        ink: "ink-soft",
      },
      { name: "came", values: weeks.map(({ came, sets }) => percent(came, sets)), as: "line", ink: "ink" },
    ],
    ...{ isStacked: false, unit: "% of sets passed", most: 100 },
  };
}

/** Of all that a student does. */
export function questionsOf(view: ProgressView, standings: readonly StandingItem[]): readonly Question[] {
  return [
    clearedQuestion(view),
    triesQuestion(view),
    landingsQuestion(view),
    faultsQuestion(view),
    sidesQuestion(view, standings),
    saidQuestion(view),
  ];
}

/** How one skill's sides came along, each by the side's name. */
export type Courses = readonly (readonly [side: SideName, course: SideProgressView])[];

const SIDE_INK: Readonly<Record<SideName, Ink>> = { left: "ink", right: "signal", whole: "ink" };
const sideLabel = (side: SideName) => (side === "whole" ? "the skill" : side);

/** The best in a row lesson by lesson, against the gate where that asks for a row. */
export function bestQuestion(days: readonly PracticeDay[], courses: Courses): Question {
  const lessons = [...new Set(days.filter((one) => one.sets > 0).map((one) => one.day))].sort();
  const gate = courses[0]?.[1].gate;
  const best = (side: SideName) =>
    lessons.map((on) => {
      const own = days.find((one) => one.day === on && one.side === side);
      return own === undefined || own.wholeClean + own.wholeMissed === 0 ? null : own.bestStreak;
    });
  const told = courses.flatMap(([side]) => {
    const values = best(side).filter((value) => value !== null);
    return values.length === 0 ? [] : [`${sideLabel(side)} ${Math.max(...values)}`];
  });
  const sentence =
    told.length === 0
      ? "Nothing of it was done in a row in this time."
      : `Best in a row: ${listWords(told)}. The gate asks for ${gate === undefined ? "more" : gateWords(gate)}.`;
  return {
    ...{ id: "best", title: "Best in a row, and the gate", sentence, along: "Lesson" },
    labels: lessons.map(dayLabel),
    series: [
      ...courses.map(([side]): Series => ({
        ...{ name: sideLabel(side), values: best(side), as: "line", ink: SIDE_INK[side] },
      })),
      ...(gate?.kind === "streak"
        ? [{ name: "gate", values: lessons.map(() => gate.count), as: "limit", ink: "edge" } as const]
        : []),
    ],
    ...{ isStacked: false, unit: "in a row" },
  };
}

/** How likely a clean try was after each of the last lessons. */
export function chanceQuestion(courses: Courses): Question {
  const instants = [...new Set(courses.flatMap(([, { chances }]) => chances.map(({ at }) => at)))].sort();
  const now = instants.at(-1);
  const told = courses.flatMap(([side, { chances }]) => {
    const [first, last] = [chances[0], chances.at(-1)];
    if (first === undefined || last === undefined) return [];
    return [`${sideLabel(side)} from ${percentWords(first.chance)} to ${percentWords(last.chance)}`];
  });
  return {
    ...{ id: "chance", title: "How likely a clean try is", along: "After the lesson of" },
    sentence:
      told.length === 0
        ? "Nothing is known of it yet."
        : `Over the last lessons: ${listWords(told)}. Whoever rests forgets slowly.`,
    labels: instants.map((at) => (at === now ? "now" : dayLabel(ownDay(at)))),
    series: courses.map(([side, { chances }]): Series => ({
      ...{ name: sideLabel(side), as: "line", ink: SIDE_INK[side] },
      values: instants.map((at) => {
        const found = chances.find((one) => one.at === at);
        return found === undefined ? null : 100 * found.chance;
      }),
    })),
    ...{ isStacked: false, unit: "% of tries clean", most: 100 },
  };
}

/** How even the rope sounded, set by set. */
export function evennessQuestion(courses: Courses): Question {
  const sets = courses
    .flatMap(([side, { rhythms }]) => rhythms.map((one) => ({ ...one, side })))
    .sort((one, other) => (one.at < other.at ? -1 : 1));
  const last = sets.at(-1);
  const mean = sets.length === 0 ? 0 : sum(sets, ({ evenness }) => evenness) / sets.length;
  return {
    ...{ id: "evenness", title: "How even it sounds", along: "Set" },
    sentence:
      last === undefined
        ? "No set of it was tapped in time or sensed."
        : `${Math.round(mean)} of 100 on the mean of ${counted(sets.length, "set")}; the last at ${Math.round(last.tempo)} turns a minute, ${Math.round(last.evenness)} of 100. At 100 every turn takes the same time.`,
    labels: sets.map(({ at }) => dayLabel(ownDay(at))),
    series: courses.map(([side]): Series => ({
      ...{ name: sideLabel(side), as: "line", ink: SIDE_INK[side] },
      values: sets.map((one) => (one.side === side ? one.evenness : null)),
    })),
    ...{ isStacked: false, unit: "of 100", most: 100 },
  };
}

/** Of one skill. */
export function skillQuestions(view: ProgressView, subject: string, courses: Courses): readonly Question[] {
  const own: ProgressView = {
    ...view,
    days: view.days.filter((one) => one.subject === subject),
    cleared: view.cleared.filter((one) => one.subject === subject),
  };
  return [
    bestQuestion(own.days, courses),
    chanceQuestion(courses),
    triesQuestion(own),
    faultsQuestion(own, "skill"),
    evennessQuestion(courses),
  ];
}

/** The sides of a skill of which there may be something to tell, in the order in which they are named. */
export function sidesOfDays(days: readonly PracticeDay[], subject: string): readonly SideName[] {
  return SIDE_NAMES.filter((side) => days.some((one) => one.subject === subject && one.side === side));
}
