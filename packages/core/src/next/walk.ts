/**
 * Walking a ladder (record.md): what of it is passed, which rung is next, and which of its numbers. The
 * next drill is the one nearest to three in four among what is at most one beyond the furthest passed.
 */
import { neededDose } from "../record/passing.js";
import { heldRepetitions, DEFAULT_TEMPO } from "../syllabus/gates.js";
import { DRILL_ROWS, doseOf, drillKey, withDose, type Drill } from "../syllabus/drill.js";
import { gatePlace } from "../syllabus/ladder.js";
import type { Rung } from "../syllabus/side.js";
import { isMet, standingOf, type Reading, type Standing } from "../record/standing.js";
import type { SideFacts } from "../record/facts.js";
import { rungChance } from "./odds.js";

/** The chance that a drill should have: three in four; and the least that is proposed where anything has it. */
export const AIMED_CHANCE = 0.75;
export const LEAST_CHANCE = 0.6;
/** What would nearly always be passed teaches nothing and is passed over. */
export const SURE_CHANCE = 0.9;

export type RungState = "passed" | "tried" | "new";

export interface Walked {
  readonly rung: Rung;
  readonly state: RungState;
}

/** Rungs that a gate's own counts pass, however they came about. */
function isPassedByCount({ drill }: Rung, { of, facts }: Standing): boolean {
  const { beats } = of.skill;
  switch (drill.kind) {
    case "streak":
      return drill.score === undefined && facts.bestStreak >= drill.count;
    case "climb":
      return drill.score === undefined && facts.bestStreak >= drill.top;
    case "hold":
      return (
        drill.score === undefined &&
        facts.bestStreak >= Math.max(1, heldRepetitions(drill.seconds, DEFAULT_TEMPO, beats))
      );
    default:
      return false;
  }
}

function rungKey(rung: Rung): string {
  return drillKey(rung.drill);
}

function isPassedItself(rung: Rung, standing: Standing): boolean {
  if (isPassedByCount(rung, standing)) return true;
  const own = standing.facts.rungs[rungKey(rung)];
  return own !== undefined && own.passed >= neededDose(rung.drill);
}

/** Whether passing one rung passes an earlier one: it holds the whole, and leaves no less of its misses. */
function passes(later: Rung, earlier: Rung): boolean {
  if (later.holds !== "whole" || earlier.isPart || later.isAfterGate) return false;
  return DRILL_ROWS[later.drill.kind].share >= DRILL_ROWS[earlier.drill.kind].share;
}

/** Every rung of a side's ladder with what the record says of it; a side that is cleared has passed all to its gate. */
export function walkedOf(standing: Standing): readonly Walked[] {
  const { of, facts, status } = standing;
  const { ladder } = of;
  const isCleared = status === "cleared" || (status === "rusty" && facts.cleared !== null);
  const gate = gatePlace(ladder);
  const passed = ladder.map((rung) => isPassedItself(rung, standing));
  const last = ladder.findLastIndex((_, place) => passed[place] === true);
  return ladder.map((rung, place): Walked => {
    const below = isCleared && place <= gate;
    const held =
      passed[place] === true ||
      below ||
      ladder.some((later, at) => at > place && at <= last && passed[at] === true && passes(later, rung));
    return { rung, state: held ? "passed" : facts.rungs[rungKey(rung)] === undefined ? "new" : "tried" };
  });
}

/** A rung with the number that suits the student, and the chance of it as it is shown. */
export interface Step {
  readonly rung: Rung;
  readonly drill: Drill;
  readonly chance: number;
}

/** The numbers that a rung can be asked with: of what is counted in a row, any up to its own. */
function numbersOf({ drill }: Rung): readonly number[] {
  const most = doseOf(drill);
  if (drill.kind === "hold") return upTo(most, 5, 5);
  const { measure } = DRILL_ROWS[drill.kind];
  return measure === "in-a-row" || measure === "rungs" ? upTo(most, 2, most > 30 ? 5 : 1) : [most];
}

function upTo(most: number, least: number, by: number): readonly number[] {
  const numbers: number[] = [];
  for (let number = least; number < most; number += by) numbers.push(number);
  return [...numbers, most];
}

/** The drill with a number; a streak short of its own goes on until a miss. */
function numbered(drill: Drill, number: number): Drill {
  if (drill.kind !== "streak" || number >= drill.count) return withDose(drill, number);
  return { ...drill, count: number, upTo: drill.count };
}

/** The number whose chance is nearest to three in four among those that have the least; the first where none has. */
export function suited(reading: Reading, standing: Standing, rung: Rung): Step {
  const steps = (number: number): Step => {
    const drill = numbered(rung.drill, number);
    return { rung, drill, chance: rungChance(reading, standing, rung, drill) };
  };
  const [first = doseOf(rung.drill), ...more] = numbersOf(rung);
  let best = steps(first);
  for (const number of more) {
    const next = steps(number);
    // Chances fall with the number: past the least, none comes nearer.
    if (next.chance < LEAST_CHANCE) break;
    if (off(next) <= off(best)) best = next;
  }
  return best;
}

function off({ chance }: Pick<Step, "chance">): number {
  return Math.abs(chance - AIMED_CHANCE);
}

/** Rungs after the other side has passed them are entered so far back. */
const ENTERED_BACK = 2;

/** The first rung that comes into question: after the furthest passed, or two back from the other side's. */
function entryOf(reading: Reading, standing: Standing, walked: readonly Walked[]): number {
  const furthest = walked.findLastIndex(({ state, rung }) => state === "passed" && !rung.isAfterGate);
  if (furthest >= 0) return furthest + 1;
  const other = standing.of.other === null ? null : standingOf(reading, standing.of.other);
  if (other === null) return 0;
  const theirs = walkedOf(other).findLastIndex(({ state, rung }) => state === "passed" && !rung.isAfterGate);
  return Math.max(0, theirs + 1 - ENTERED_BACK);
}

/** Whether a rung is about a part that is known: it was learned where it belongs. */
function isKnownPart(reading: Reading, { isPart, about }: Rung): boolean {
  return isPart && about.length > 0 && about.every((side) => isMet(standingOf(reading, side).status));
}

/** Whether a rung teaches the whole and tells of it: done again, it still brings something. */
function isOfWhole({ holds, isPart, isAfterGate }: Rung): boolean {
  return holds === "whole" && !isPart && !isAfterGate;
}

/**
 * The rungs that come into question, from the gentlest: what holds the whole as far as it was passed, what
 * was tried and not passed, and the one beyond. From the furthest passed on, what would surely be passed
 * is skipped, but not what is there for safety, which comes before anything harder.
 */
export function stepsInQuestion(reading: Reading, standing: Standing): readonly Step[] {
  const walked = walkedOf(standing);
  const entry = entryOf(reading, standing, walked);
  const gate = gatePlace(standing.of.ladder);
  const steps: Step[] = [];
  for (const { rung, state } of walked.slice(0, entry)) {
    const isAgain = state === "passed" ? isOfWhole(rung) : state === "tried" && !rung.isAfterGate;
    if (isAgain) steps.push(suited(reading, standing, rung));
  }
  for (let place = entry; place <= gate; place += 1) {
    const one = walked[place];
    if (one === undefined || one.state === "passed") continue;
    const step = suited(reading, standing, one.rung);
    if (one.rung.isSafety) return [step];
    const isWholeNumber = doseOf(step.drill) === doseOf(one.rung.drill);
    const isSure = isWholeNumber && step.chance > SURE_CHANCE;
    const isKnown = isKnownPart(reading, one.rung) && step.chance >= LEAST_CHANCE;
    if (place < gate && (isSure || isKnown)) continue;
    return [...steps, step, ...alsoInARow(reading, standing, walked.slice(place + 1, gate + 1), step)];
  }
  return steps;
}

/**
 * A climb and a streak differ in how they come to their number. Once a lesson has had its climb, the next
 * streak of the ladder comes into question with it, which goes on toward the gate.
 */
function alsoInARow(
  reading: Reading,
  standing: Standing,
  beyond: readonly Walked[],
  { rung }: Step,
): readonly Step[] {
  if (DRILL_ROWS[rung.drill.kind].measure !== "rungs") return [];
  if (standing.facts.rungs[rungKey(rung)]?.lesson !== reading.today) return [];
  const next = beyond.find(
    (one) => one.state !== "passed" && DRILL_ROWS[one.rung.drill.kind].measure === "in-a-row",
  );
  return next === undefined ? [] : [suited(reading, standing, next.rung)];
}

/** The step nearest to three in four; the hardest of equals; null where none has the least chance. */
function likeliest(steps: readonly Step[]): Step | null {
  const likely = steps.filter((step) => step.chance >= LEAST_CHANCE && step.chance <= SURE_CHANCE);
  return likely.reduce<Step | null>(
    (best, one) => (best === null || off(one) <= off(best) ? one : best),
    null,
  );
}

function gentlest(steps: readonly Step[]): Step | null {
  return steps.reduce<Step | null>(
    (best, one) => (best === null || one.chance > best.chance ? one : best),
    null,
  );
}

/**
 * The next step of a side: nearest to three in four among those in question; where none has the least
 * chance, the gentlest that is not passed, however far up the ladder it stands.
 */
export function nextStep(reading: Reading, standing: Standing): Step | null {
  const steps = stepsInQuestion(reading, standing);
  const found = likeliest(steps);
  if (found !== null) return found;
  const beyond = steps.at(-1);
  if (beyond?.rung.isSafety === true || (beyond !== undefined && beyond.chance > SURE_CHANCE)) return beyond;
  const gate = gatePlace(standing.of.ladder);
  const open = walkedOf(standing)
    .slice(0, gate + 1)
    .filter(({ rung, state }) => state !== "passed" && !rung.isPart && rung.holds !== "shape")
    .map(({ rung }) => suited(reading, standing, rung));
  return gentlest(open) ?? beyond ?? null;
}

/** How often running a rung failed in the lesson of today. */
export function failedRunning({ rungs }: SideFacts, drill: Drill, today: string): number {
  const own = rungs[drillKey(drill)];
  return own?.lesson === today ? own.failed : 0;
}

/** A drill that fails so often running is left for one that is gentler. */
export const FAILED = 2;

/**
 * The step back from a rung: the nearest before it that leaves a smaller share of the misses, and does not
 * fail itself today; null where the ladder has none.
 */
export function stepBack(reading: Reading, standing: Standing, rung: Rung): Step | null {
  const { ladder } = standing.of;
  const place = ladder.findIndex((one) => one.id === rung.id);
  const share = (one: Rung) => reading.model.shares[one.drill.kind];
  const gentler = ladder
    .slice(0, Math.max(0, place))
    .filter((one) => !one.isAfterGate && share(one) < share(rung));
  const back =
    gentler.findLast((one) => failedRunning(standing.facts, one.drill, reading.today) < FAILED) ?? gentler[0];
  return back === undefined ? null : suited(reading, standing, back);
}

/** The rung after another on the way to the gate; null after the gate. */
export function rungAfter(standing: Standing, rung: Rung): Rung | null {
  const { ladder } = standing.of;
  const place = ladder.findIndex((one) => one.id === rung.id);
  return place < 0 || place >= gatePlace(ladder) ? null : (ladder[place + 1] ?? null);
}
