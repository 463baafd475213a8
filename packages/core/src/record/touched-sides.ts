/**
 * Which sides' facts may be others where a studio teaches by another edition of its catalogue: what a log says of all
 * other sides is the same by both, so that only these are folded anew.
 */
import type { Catalogue } from "../syllabus/catalogue.js";
import type { LadderStep } from "../syllabus/ladder-line.js";
import type { Skill } from "../syllabus/skill.js";
import { SideMap, SideSet } from "../syllabus/side-map.js";
import type { LoggedSet } from "../log/line.js";
import type { SubjectSide } from "../syllabus/roles.js";
import type { Side } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";
import { ownersOf } from "./fold.js";
import type { LearnerModel } from "./model.js";

const keyOf = ({ subject, side }: SubjectSide) => `${subject}:${side}`;
const keysOf = (sides: readonly SubjectSide[]) => sides.map(keyOf).sort();

/** What a side is judged by. */
function judgedBy({ gate, gateStreak }: Side): string {
  return JSON.stringify([gate, gateStreak]);
}

/** The steps that a skill is learned by, as they are written. */
function stepsOf({ ladders }: Catalogue, { id, skillClass }: Skill): readonly LadderStep[] {
  const { first, then } = ladders.classes[skillClass];
  return ladders.skills.get(id) ?? [...first, ...then];
}

/**
 * What decides which of its sets bear on what: how it is jumped, and the needs where drills of its ladder are theirs.
 * The ladders themselves are not made for it: that takes longer than all else here.
 */
function readBy({ skill, jumps }: Side, catalogue: Catalogue): string {
  const isByNeeds = stepsOf(catalogue, skill).some((step) => step.ofNeeds);
  return JSON.stringify([
    skill.skillClass,
    skill.beats,
    skill.twoSided,
    jumps,
    isByNeeds ? skill.needs : null,
  ]);
}

/** The skills whose drills a skill's ladder may hold. */
function partsOf(catalogue: Catalogue, skill: Skill): readonly string[] {
  const steps = stepsOf(catalogue, skill);
  const needed = steps.some((step) => step.ofNeeds)
    ? skill.needs.flatMap(({ anyOf }) => anyOf.map((term) => term.skill))
    : [];
  return [...steps.flatMap((step) => step.parts), ...needed];
}

/** The beats that a side is jumped in, as far as they tell one score from another. */
function beatsOf({ jumps }: Side): readonly ReadonlySet<string>[] {
  return jumps.map(({ beats }) => new Set(beats.map(({ turns, feet }) => `${turns} ${feet}`)));
}

/** Whether nothing stands in one's score that does not stand in the other's: a drill can be of either. */
function isAkin(one: Side, other: Side): boolean {
  const isWithin = (less: ReadonlySet<string>, more: ReadonlySet<string>) =>
    less.size > 0 && [...less].every((beat) => more.has(beat));
  return beatsOf(one).some((mine) =>
    beatsOf(other).some((theirs) => isWithin(mine, theirs) || isWithin(theirs, mine)),
  );
}

export interface EditionDifference {
  readonly before: Syllabus;
  readonly after: Syllabus;
  readonly sides: readonly SubjectSide[];
  /** Skills of which every set may be read otherwise, whatever it holds. */
  readonly reread: readonly string[];
}

/** Under one school and manner; null where more than the catalogue and the studio's own gates is another. */
export function editionDifference(before: Syllabus, after: Syllabus): EditionDifference | null {
  if (before.school !== after.school || before.growsUntil !== after.growsUntil) return null;
  if (JSON.stringify(before.manner) !== JSON.stringify(after.manner)) return null;
  const was = new SideMap(before.sides.map((side) => [side, side] as const));
  const is = new SideMap(after.sides.map((side) => [side, side] as const));
  const touched: SubjectSide[] = [];
  /** Sides whose sets may be read otherwise. */
  const reread: Side[] = [];
  for (const side of [...before.sides.filter((one) => is.get(one) === undefined), ...after.sides]) {
    const [then, now] = [was.get(side), is.get(side)];
    if (then === undefined || now === undefined) {
      touched.push(side);
      reread.push(side);
      continue;
    }
    if (judgedBy(then) !== judgedBy(now)) touched.push(now);
    if (JSON.stringify(keysOf(then.kin)) !== JSON.stringify(keysOf(now.kin))) {
      touched.push(...then.kin, ...now.kin);
    }
    if (readBy(then, before.catalogue) !== readBy(now, after.catalogue)) {
      touched.push(then);
      reread.push(then, now);
    }
  }
  // What is learned by way of such a one has other drills, too.
  const other = new Set(reread.map(({ subject }) => subject));
  for (const { catalogue, sides } of [before, after]) {
    const byWay = sides.filter(({ skill }) => partsOf(catalogue, skill).some((part) => other.has(part)));
    touched.push(...byWay);
    reread.push(...byWay);
  }
  const all = [...before.sides, ...after.sides];
  for (const side of reread) {
    // A drill that is nothing but this one may have been taken for one that is shorter, and is not any more.
    const akin = all.filter((one) => isAkin(one, side));
    touched.push(...akin, ...akin.flatMap((one) => one.kin));
  }
  const subjects = new Set(reread.map(({ subject }) => subject));
  return { before, after, sides: new SideSet(touched).all(), reread: [...subjects] };
}

/** The sides whose facts may be others; `sets` are a student's of the skills that are read otherwise. */
export function touchedSides(
  { before, after, sides }: EditionDifference,
  sets: readonly LoggedSet[],
  model: LearnerModel,
): readonly SubjectSide[] {
  const borne = sets.flatMap((set) =>
    [before, after].flatMap((syllabus) => ownersOf(set, { syllabus, model })),
  );
  return new SideSet([...sides, ...borne]).all();
}
