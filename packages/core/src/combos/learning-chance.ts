/**
 * The chance of each step of a combo's ladder. A try of it is clean where every move in it is and every link with
 * nothing between; a link is at first as sure as the less sure of its two moves, and then what its own tries say. What
 * a step's own tries came to counts on top, as on any ladder (record.md, Chances).
 */
import { passChance, type Belief } from "../record/chance.js";
import { HANDBOOK_MODEL, type LearnerModel } from "../record/model.js";
import { missCount } from "../log/set.js";
import { parseDrill } from "../syllabus/drill.js";
import type { SideName } from "../sides.js";
import type { ComboSet } from "./learning.js";
import type { LearningStep } from "./learning-steps.js";
import type { ComboLink } from "./links.js";
import { isBounce, type ComboPart } from "./part.js";

/** What the moves let one expect of a link, or of a step, is worth so many tries. */
const EXPECTED_TRIES = 4;
/** Of a move that nobody keeps a record of. */
const UNKNOWN = 0.5;
/** Nothing is certain. */
const SUREST = 0.99;

export interface ChanceAsked {
  /** The parts on the side that is learned. */
  readonly parts: readonly ComboPart[];
  readonly links: readonly ComboLink[];
  readonly sets: readonly ComboSet[];
  /** The chance of one clean try of a side of a skill; undefined for one that nobody keeps. */
  readonly chanceOf: (subject: string, side: SideName) => number | undefined;
  readonly model?: Pick<LearnerModel, "shares" | "calibration">;
}

const believed = (clean: number, tries = EXPECTED_TRIES): Belief => ({
  clean: clean * tries,
  missed: (1 - clean) * tries,
});

function triesOf(sets: readonly ComboSet[]): Belief {
  const clean = sets.reduce((sum, set) => sum + set.clean, 0);
  return { clean, missed: sets.reduce((sum, set) => sum + missCount(set.misses), 0) };
}

/** Whether a set was of the step's drill, at whatever dose or spacing. */
function isOf(step: LearningStep, { subject, side, drill }: ComboSet): boolean {
  if (subject !== step.subject || side !== step.side || drill.kind !== step.drill.kind) return false;
  return drill.score === step.score && parseDrill(drill) !== null;
}

/** The chance to pass each step, by its id. O(steps × (parts + sets)). */
export function learningChances(
  steps: readonly LearningStep[],
  { parts, links, sets, chanceOf, model = HANDBOOK_MODEL }: ChanceAsked,
): ReadonlyMap<string, number> {
  const partChance = (part: ComboPart): number => {
    if (isBounce(part)) return 1;
    const known = part.subject === null ? undefined : chanceOf(part.subject, part.side);
    return Math.min(SUREST, known ?? UNKNOWN) ** part.times;
  };
  const one = (part: ComboPart) => partChance({ ...part, times: 1 });
  const linkChance = new Map(
    links.map(({ place, from, to }) => {
      const alone = steps.find((step) => step.code === "link" && step.link === place);
      const own = triesOf(alone === undefined ? [] : sets.filter((set) => isOf(alone, set)));
      const first = believed(Math.min(one(from), one(to)));
      const clean = first.clean + own.clean;
      return [place, Math.min(SUREST, clean / (clean + first.missed + own.missed))] as const;
    }),
  );
  return new Map(
    steps.map((step) => {
      const moves = parts.slice(step.from, step.to).reduce((product, part) => product * partChance(part), 1);
      const joins = step.closed.map((place) => linkChance.get(place) ?? UNKNOWN);
      const joined = joins.reduce((product, chance) => product * chance, 1);
      // Alone a link holds its two moves once each, and its own tries say all of it.
      const clean = step.code === "link" ? joined : moves * joined;
      const own =
        step.code === "link" ? { clean: 0, missed: 0 } : triesOf(sets.filter((set) => isOf(step, set)));
      const expected = believed(clean);
      const belief = { clean: expected.clean + own.clean, missed: expected.missed + own.missed };
      return [step.id, passChance(step.drill, belief, model)] as const;
    }),
  );
}
