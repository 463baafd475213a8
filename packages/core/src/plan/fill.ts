/**
 * What a plan does with the minutes that its chosen blocks leave: longer main work, rounds of conditioning,
 * and what brings a skill nearer without a landing (record.md, A plan).
 */
import { ROUND, SET_TRIES, doseOfSide, type PlanBlock } from "./block.js";
import type { Limits } from "./choose.js";
import type { StudentPlanContext } from "./student-asked.js";
import { cleanChanceOf, conditioning, noLandingBlocks, type WeighedBlock } from "./student-blocks.js";
import { PLAN_LIMITS } from "./weights.js";

/** Fewer landings than this are no set of anything. */
const A_SET = SET_TRIES;

const sumOf = <Block>(blocks: readonly Block[], of: (block: Block) => number) =>
  blocks.reduce((sum, block) => sum + of(block), 0);

function isWithin(blocks: readonly PlanBlock[], limits: Limits): boolean {
  return (
    sumOf(blocks, (one) => one.minutes) <= limits.minutes &&
    sumOf(blocks, (one) => one.landings) <= limits.landings &&
    sumOf(blocks, (one) => one.multiples) <= limits.multiples
  );
}

const minutesOf = (blocks: readonly WeighedBlock[], work: WeighedBlock["work"]) =>
  sumOf(blocks, (one) => (one.work === work ? one.minutes : 0));

/** New work grows only as far as begun work has at least half. */
function isDeep(blocks: readonly WeighedBlock[], before: readonly WeighedBlock[]): boolean {
  const [begun, isNew] = [minutesOf(blocks, "begun"), minutesOf(blocks, "new")];
  return begun === 0 || isNew <= Math.max(begun, minutesOf(before, "new"));
}

/** Main work takes minutes that are left, a set at a time in turn, begun work first, as far as the limits allow. */
function lengthened(
  { reading, moreSets }: StudentPlanContext,
  chosen: readonly WeighedBlock[],
  limits: Limits,
  rounds: number,
): readonly WeighedBlock[] {
  const places = [...chosen.keys()].sort(
    (one, other) => Number(chosen[one]?.work === "new") - Number(chosen[other]?.work === "new"),
  );
  let blocks = chosen;
  for (let round = 0; round < rounds; round += 1) {
    for (const place of places) {
      const block = blocks[place];
      if (block === undefined || block.work === null) continue;
      // What was lengthened or shortened by hand stays as it was asked.
      const of = reading.syllabus.find(block.subject, block.side);
      if (of === null || moreSets?.get(block) !== undefined) continue;
      const dose = doseOfSide(of, block.drill, (block.sets + 1) * SET_TRIES, cleanChanceOf(reading, of));
      const longer = blocks.with(place, { ...block, ...dose });
      if (isWithin(longer, limits) && isDeep(longer, blocks)) blocks = longer;
    }
  }
  return blocks;
}

/** The most rounds of conditioning that fit. */
function rounds(
  context: StudentPlanContext,
  blocks: readonly PlanBlock[],
  limits: Limits,
): readonly PlanBlock[] {
  const isAfterMultiples = blocks.at(-1)?.effort === "multiples";
  for (let count: number = ROUND.most; count > 0; count -= 1) {
    const block = conditioning(context, count, isAfterMultiples);
    if (block !== null && isWithin([...blocks, block], limits)) return [block];
  }
  return [];
}

export interface Filled {
  readonly blocks: readonly PlanBlock[];
  /** Minutes that nothing was found for. */
  readonly empty: number;
  /** Whether the legs have had what they may have: nothing that lands fits any more. */
  readonly isEnough: boolean;
}

/** The blocks, with as much beside them as the minutes and the limits hold. */
export function filled(context: StudentPlanContext, chosen: readonly WeighedBlock[], limits: Limits): Filled {
  const { before, after } = PLAN_LIMITS.moreSets;
  const longer = lengthened(context, chosen, limits, before);
  const ending = rounds(context, longer, limits);
  const used = (blocks: readonly PlanBlock[]) => sumOf(blocks, (block) => block.minutes);
  const rest = { ...limits, minutes: limits.minutes - used(ending) };
  const landed = { ...rest, landings: limits.landings - sumOf(ending, (block) => block.landings) };
  const main = lengthened(context, longer, landed, after);
  const isEnough = sumOf(main, (block) => block.landings) + A_SET > landed.landings;
  const still: PlanBlock[] = [];
  const isFull = () => used([...main, ...still]) >= rest.minutes - PLAN_LIMITS.emptyShare * context.minutes;
  for (const tries of [2 * SET_TRIES, SET_TRIES]) {
    const others = isFull() ? [] : noLandingBlocks(context, isEnough, tries);
    for (const block of others) {
      const isThere = still.some((one) => one.subject === block.subject);
      if (!isThere && !isFull() && used([...main, ...still, block]) <= rest.minutes) still.push(block);
    }
  }
  const blocks = [...main.map(({ work: _work, ...block }) => block), ...still, ...ending];
  return { blocks, empty: limits.minutes - used(blocks), isEnough };
}
