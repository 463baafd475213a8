/**
 * The concrete ladder of drills of a skill and side, from its class and score (teaching.md, Drill
 * kinds). Nothing is typed in per skill: the catch, the bounces, the pattern and the parts are made
 * from the score, and a drill whose score would not be legal is left out for its next best form.
 */
import { UNDER_FEET } from "../rope/arms.js";
import { checkScore } from "../rope/check.js";
import { scoreOf } from "../rope/parse.js";
import { mirrorScore } from "../rope/mirror.js";
import { printScore } from "../rope/print.js";
import { expandBeats, type Beat, type Item, type Score } from "../rope/score.js";
import { otherSide, type SideName } from "../sides.js";
import { sideScore, skillOf, type Catalogue } from "./catalogue.js";
import type { Skill, SkillClass } from "./skill.js";
import type { DrillKind } from "./drill.js";

/** What a drill of the ladder is about, where its kind alone does not say it. */
export type DrillFocus =
  | "wrists"
  | "open-catch"
  | "position-catch"
  | "high-jump"
  | "plain-double"
  | "arm-change"
  | "exit"
  | "carrying-step"
  | "move"
  | "part"
  | "both-parts"
  | "two-sides"
  | "boxer-step"
  | "run-step"
  | "bursts";

export interface LadderDrill {
  readonly kind: DrillKind;
  readonly side: SideName;
  /** The score practised, in canonical text; null for a drill without rope or outside the model. */
  readonly score: string | null;
  /** How much is asked: repetitions, rounds, the top rung, or tries at each spacing; or what the gate asks. */
  readonly dose: number | "gate";
  readonly focus?: DrillFocus;
  /** Bounces (or doubles) between repetitions. */
  readonly spacing?: number;
}

const DOSES: Readonly<Record<DrillKind, number | "gate">> = {
  shadow: 10,
  "side-rope": 40,
  "toe-catch": 5,
  "one-stop": 5,
  "one-out": 5,
  "from-rest": 5,
  spaced: 5,
  rounds: 3,
  climb: 5,
  streak: "gate",
  count: "gate",
  hold: "gate",
  "other-side": 5,
  "new-step": 8,
  merge: 5,
  link: 4,
};

/** How a drill is passed: so many of so many, or null where its dose itself is the aim. */
export interface DrillPass {
  readonly clean: number;
  readonly of: number;
}

export const DRILL_PASSES: Readonly<Record<DrillKind, DrillPass | null>> = {
  shadow: { clean: 8, of: 10 },
  "side-rope": null,
  "toe-catch": { clean: 4, of: 5 },
  "one-stop": { clean: 3, of: 5 },
  "one-out": { clean: 4, of: 5 },
  "from-rest": { clean: 3, of: 5 },
  spaced: { clean: 4, of: 5 },
  rounds: null,
  climb: null,
  streak: null,
  count: null,
  hold: null,
  "other-side": null,
  "new-step": { clean: 6, of: 8 },
  merge: { clean: 3, of: 5 },
  link: { clean: 3, of: 4 },
};

const OPEN = "o";
const DOUBLE = "(o o)";

/** What the builders of one skill and side have at hand. */
interface Subject {
  readonly catalogue: Catalogue;
  readonly skill: Skill;
  readonly side: SideName;
  readonly score: Score | null;
}

function itemsOf(score: Score): string {
  return printScore({ ...score, direction: "forward" });
}

/** The parts one after the other, in the skill's direction; null where that cannot be jumped. */
function build(score: Score, parts: readonly string[], loop = false): string | null {
  const text = `${score.direction === "backward" ? "< " : ""}${parts.filter((part) => part !== "").join(" ")}`;
  const built = scoreOf(text);
  return checkScore(built, { loop }).length === 0 ? printScore(built) : null;
}

/** Runs of one item as a repeat: `o*3`; nothing for 0. */
function times(item: string, count: number): string {
  if (count === 0) return "";
  return count === 1 ? item : `${item}*${count}`;
}

function whole(score: Score): string {
  const text = itemsOf(score);
  return score.items.length === 1 && score.items[0]?.count === null ? text : `[${text}]`;
}

/** The beats up to the last turn under the feet that ends a beat, that one caught. */
function caught(score: Score): string | null {
  const beats = [...expandBeats(score)];
  const last = beats.findLastIndex((beat) => {
    const arms = beat.turns.at(-1)?.arms;
    return arms !== undefined && arms !== "x" && UNDER_FEET[arms];
  });
  const end = beats[last];
  if (end === undefined) return null;
  const turns = end.turns.map((turn, index) => ({ ...turn, caught: index === end.turns.length - 1 }));
  return textOf(score, [...beats.slice(0, last), { ...end, turns }]);
}

function textOf(score: Score, beats: readonly Beat[]): string | null {
  const items = beats.map((unit): Item => ({ unit, count: null }));
  const made = { ...score, items };
  return checkScore(made).length === 0 ? printScore(made) : null;
}

class Ladder {
  readonly drills: LadderDrill[] = [];

  constructor(private readonly subject: Subject) {}

  /** A drill without a score: no rope, or a skill outside the model. */
  plain(kind: DrillKind, focus?: DrillFocus): void {
    this.push(kind, null, focus === undefined ? {} : { focus });
  }

  /** A drill with a score; left out where there is none, or it cannot be jumped. */
  scored(kind: DrillKind, score: string | null, more: Partial<LadderDrill> = {}): void {
    if (this.subject.score === null) this.push(kind, null, more);
    else if (score !== null) this.push(kind, score, more);
  }

  private push(kind: DrillKind, score: string | null, more: Partial<LadderDrill>): void {
    const drill: LadderDrill = { kind, side: this.subject.side, score, dose: DOSES[kind], ...more };
    const same = this.drills.some(
      (one) =>
        one.kind === kind &&
        one.score === score &&
        one.focus === drill.focus &&
        one.dose === drill.dose &&
        one.side === drill.side,
    );
    if (!same) this.drills.push(drill);
  }
}

/** Runs a builder with the subject's score; without one the drill has none either. */
type Scored = (make: (score: Score) => string | null) => string | null;

function tools(subject: Subject, ladder: Ladder) {
  const from: Scored = (make) => (subject.score === null ? null : make(subject.score));
  const itself = () => from((score) => build(score, [itemsOf(score)], true));
  return {
    from,
    itself,
    oneOut: () =>
      ladder.scored(
        "one-out",
        from((score) => build(score, [itemsOf(score), OPEN])),
      ),
    oneStop: (focus?: DrillFocus) =>
      ladder.scored("one-stop", from(caught), focus === undefined ? {} : { focus }),
    toeCatch: () => ladder.scored("toe-catch", from(caught)),
    fromRest: () =>
      ladder.scored(
        "from-rest",
        from((score) => build(score, [itemsOf(score), `${OPEN}!`])),
      ),
    spaced: (filler: string, from4: number, to: number) => {
      for (let spacing = from4; spacing >= to; spacing -= 1) {
        const score = from((one) => build(one, [times(filler, spacing), itemsOf(one)], true));
        ladder.scored("spaced", score, { spacing });
      }
    },
    climb: (top: number) => ladder.scored("climb", itself(), { dose: top }),
    streak: (...count: readonly number[]) =>
      ladder.scored("streak", itself(), count[0] === undefined ? {} : { dose: count[0] }),
    hold: () => ladder.scored("hold", itself()),
    count: () => ladder.scored("count", itself()),
    otherSide: () => {
      const { skill, side } = subject;
      const other = sideScore(skill, otherSide(side));
      if (skill.twoSided && other !== null) {
        ladder.scored("other-side", build(other, [itemsOf(other)], true), { side: otherSide(side) });
      }
    },
    newSteps: () => {
      for (const step of ["boxer-step", "run-step"] as const) {
        const score = from((one) => inStep(one, step, subject.side));
        if (score !== null) ladder.scored("new-step", score, { focus: step });
      }
    },
  };
}

/**
 * The skill danced in another step: each beat lands on the next foot, in the boxer step with the
 * free foot's tap. Only for beats of one turn whose feet nothing else decides.
 */
export function inStep(score: Score, step: "boxer-step" | "run-step", side: SideName): string | null {
  const beats = expandBeats(score);
  const free = beats.every(
    ({ turns, landing, takeOff, gestures }) =>
      turns.length === 1 &&
      turns[0]?.arms !== "ul" &&
      turns[0]?.arms !== "ur" &&
      turns[0]?.arms !== "k" &&
      landing === null &&
      takeOff === null &&
      gestures.length === 0,
  );
  const steady = beats.some(({ turns }) => turns[0]?.arms !== "o");
  if (!free || !steady) return null;
  const twice = beats.length % 2 === 0 ? beats : [...beats, ...beats];
  const stepped = twice.map((beat, index): Beat => {
    const right = (index % 2 === 0) === (side !== "left");
    return {
      ...beat,
      landing: right ? "r" : "l",
      gestures: step === "boxer-step" ? [right ? "tapl" : "tapr"] : [],
    };
  });
  const made: Score = { ...score, items: stepped.map((unit) => ({ unit, count: null })) };
  return checkScore(made, { loop: true }).length === 0 ? printScore(made) : null;
}

/**
 * The steps that a step is built on, as they are danced in it: its needs among the steps but the
 * plain bounce, on the side asked, mirrored throughout for the left. The first one carries it.
 */
function partsOfStep({ catalogue, skill, side }: Subject): readonly Score[] {
  const steps: ReadonlySet<SkillClass> = new Set(["base", "footwork", "taps"]);
  return skill.needs.flatMap(({ anyOf }) => {
    const [term] = anyOf;
    const part = term === undefined ? null : skillOf(catalogue, term.skill);
    if (part?.score == null || part.id === "basic-bounce" || !steps.has(part.skillClass)) return [];
    const mirrored = (side === "left") !== (term?.sides === "other");
    return [mirrored ? mirrorScore(part.score) : part.score];
  });
}

function footwork(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  const parts = partsOfStep(subject);
  const [carrying] = parts;
  if (carrying === undefined) ladder.plain("shadow");
  else {
    ladder.scored("shadow", printScore(carrying), { focus: "carrying-step" });
    ladder.scored("shadow", drill.itself(), { focus: "move" });
  }
  if (parts.length > 1) {
    for (const part of parts) ladder.scored("one-out", printScore(part), { focus: "part" });
    ladder.scored(
      "merge",
      drill.from((score) => build(score, [...parts, score].map(itemsOf))),
    );
  } else if (carrying !== undefined) {
    const joined = drill.from((score) => build(score, [itemsOf(carrying), itemsOf(score)]));
    ladder.scored("one-out", joined, { focus: "part" });
  }
  ladder.scored(
    "one-out",
    drill.from((score) => build(score, [times(whole(score), 4), OPEN])),
    { focus: "bursts" },
  );
  for (const count of isHop(subject) ? [10, 20] : [8, 16]) drill.streak(count);
  drill.hold();
  drill.newSteps();
}

/** Hops on one foot build up as tens. */
function isHop({ skill, score }: Subject): boolean {
  return (
    skill.twoSided &&
    score !== null &&
    expandBeats(score).every((beat) => beat.landing === "l" || beat.landing === "r")
  );
}

function speed(subject: Subject, ladder: Ladder): void {
  footwork(subject, ladder);
  tools(subject, ladder).count();
}

function ground(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  ladder.plain("shadow");
  drill.streak();
  drill.hold();
}

function swing(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  ladder.plain("shadow");
  ladder.plain("side-rope");
  drill.oneOut();
  drill.spaced(OPEN, 4, 1);
  drill.climb(5);
  drill.streak();
}

/** Open, then in the position, then the skill and out of it, each stopped under the toes. */
function crossCatches(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  ladder.scored(
    "toe-catch",
    drill.from((score) => build(score, [`${OPEN}!`])),
    { focus: "open-catch" },
  );
  const inPosition = drill.from((score) => {
    const beats = expandBeats(score);
    const place = beats.findIndex((beat) =>
      beat.turns.some(({ arms }) => arms !== "o" && arms !== "x" && UNDER_FEET[arms]),
    );
    return place === -1
      ? null
      : caught({ ...score, items: beats.slice(0, place + 1).map((unit) => ({ unit, count: null })) });
  });
  ladder.scored("toe-catch", inPosition, { focus: "position-catch" });
  const out = drill.from((score) => {
    const last = expandBeats(score).at(-1)?.turns.at(-1)?.arms;
    return last === "o" ? caught(score) : build(score, [itemsOf(score), `${OPEN}!`]);
  });
  ladder.scored("toe-catch", out);
}

function cross(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  ladder.plain("shadow", "wrists");
  crossCatches(subject, ladder);
  drill.oneStop();
  drill.oneOut();
  const rounds = drill.from((score) => {
    const crossed = expandBeats(score).filter((beat) => beat.turns.some(({ arms }) => arms !== "o"));
    const [one] = crossed;
    const held = one === undefined ? null : textOf({ ...score, direction: "forward" }, [one]);
    const pattern =
      crossed.length === 1 && held !== null ? build(score, [times(OPEN, 2), times(held, 2)], true) : null;
    return pattern ?? build(score, [times(OPEN, 2), times(whole(score), 2)], true);
  });
  ladder.scored("rounds", rounds);
  drill.climb(10);
  drill.streak();
  drill.otherSide();
  drill.newSteps();
}

function fusion(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  drill.toeCatch();
  drill.oneStop();
  drill.oneOut();
  drill.spaced(OPEN, 4, 1);
  drill.climb(5);
  drill.streak();
  drill.otherSide();
}

function double(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  ladder.plain("side-rope");
  ladder.scored(
    "one-out",
    drill.from((score) => build(score, [OPEN])),
    { focus: "high-jump", dose: 10 },
  );
  drill.oneOut();
  drill.spaced(OPEN, 4, 1);
  drill.climb(10);
  drill.streak();
}

/** The leg-over cross of a multiple's side as a single; null where the multiple lifts no leg. */
function legOver(score: Score): "ul" | "ur" | null {
  const multiples = expandBeats(score).filter((beat) => beat.turns.length > 1);
  const arms = multiples.flatMap((beat) => beat.turns.map((turn) => turn.arms));
  return arms.find((one) => one === "ul" || one === "ur") ?? null;
}

/** Before a leg-over multiple: the exit, the single with the highest jump, and a plain double's run-up. */
function legOverSteps({ score }: Subject, ladder: Ladder): void {
  const lifted = score === null ? null : legOver(score);
  if (score === null || lifted === null) return;
  ladder.scored("one-out", build(score, [lifted, DOUBLE]), { focus: "exit" });
  ladder.scored("one-out", build(score, [lifted, OPEN]), { focus: "high-jump" });
  ladder.scored("one-out", build(score, [DOUBLE, itemsOf(score)]), { focus: "plain-double" });
}

function fusedDouble(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  ladder.plain("shadow", "arm-change");
  ladder.scored(
    "from-rest",
    drill.from((score) => build(score, [DOUBLE, `${OPEN}!`])),
    { focus: "plain-double" },
  );
  legOverSteps(subject, ladder);
  drill.oneStop("arm-change");
  drill.fromRest();
  drill.oneOut();
  drill.spaced(OPEN, 3, 0);
  ladder.scored(
    "rounds",
    drill.from((score) => build(score, [times(DOUBLE, 2), itemsOf(score)], true)),
  );
  drill.climb(5);
  drill.streak();
  drill.otherSide();
}

/**
 * The two parts of a multiple: split at the most even place where both are legal, the longer part
 * first where both orders are.
 */
export function partsOfMultiple(score: Score): readonly [string, string] | null {
  const multiple = expandBeats(score).find((beat) => beat.turns.length > 2);
  if (multiple === undefined) return null;
  const arms = multiple.turns.map((turn) => turn.arms);
  const middle = arms.length / 2;
  const places = arms
    .map((_, place) => place)
    .slice(1)
    .sort((one, other) => Math.abs(one - middle) - Math.abs(other - middle) || other - one);
  for (const place of places) {
    const beatText = (part: readonly string[]) =>
      part.length === 1 ? (part[0] ?? "") : `(${part.join(" ")})`;
    const parts = [beatText(arms.slice(0, place)), beatText(arms.slice(place))] as const;
    if (build(score, parts) !== null) return parts;
  }
  return null;
}

function multiple(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  const { score, skill, side } = subject;
  const parts = score === null ? null : partsOfMultiple(score);
  if (score !== null && parts !== null) {
    for (const part of parts) ladder.scored("one-out", build(score, [part, OPEN]), { focus: "part" });
    ladder.scored("merge", build(score, [...parts, itemsOf(score)]), { focus: "both-parts" });
  }
  legOverSteps(subject, ladder);
  drill.fromRest();
  drill.oneOut();
  drill.spaced(DOUBLE, 3, 1);
  drill.streak();
  drill.otherSide();
  const other = sideScore(skill, otherSide(side));
  if (skill.skillClass === "quad" && skill.twoSided && score !== null && other !== null) {
    const chain = [itemsOf(score), DOUBLE, "(o o o)", itemsOf(other)];
    ladder.scored("rounds", build(score, chain), { focus: "two-sides" });
    ladder.scored("rounds", build(score, [itemsOf(score), itemsOf(other)], true), { focus: "two-sides" });
  }
}

function power(subject: Subject, ladder: Ladder): void {
  const drill = tools(subject, ladder);
  drill.oneOut();
  ladder.scored(
    "rounds",
    drill.from((score) => build(score, [times(OPEN, 4), times(whole(score), 4)], true)),
  );
  drill.hold();
}

const BUILDERS: Readonly<Record<SkillClass, (subject: Subject, ladder: Ladder) => void>> = {
  ground,
  base: footwork,
  footwork,
  taps: footwork,
  speed,
  power,
  swing,
  turn: swing,
  release: swing,
  cross,
  fusion,
  double,
  "fused-double": fusedDouble,
  triple: multiple,
  quad: multiple,
};

/** The drills of a skill's side in order, from the gentlest to the hardest. Every score among them is legal. */
export function ladderOf(catalogue: Catalogue, skillId: string, side: SideName): readonly LadderDrill[] {
  const skill = skillOf(catalogue, skillId);
  const subject: Subject = { catalogue, skill, side, score: sideScore(skill, side) };
  const ladder = new Ladder(subject);
  BUILDERS[skill.skillClass](subject, ladder);
  return ladder.drills;
}
