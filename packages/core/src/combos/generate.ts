/**
 * Combos made up from what is cleared and at most one new skill (teaching.md, Combos): drawn by a
 * seed from all that exist, kept where they differ enough. Where none exists, what would have to give.
 */
import { measureScore } from "../rope/measure.js";
import {
  COMBO_COUNTS,
  names,
  type CombosAsked,
  type CombosFault,
  type CombosMade,
  type Loosening,
  type MadeCombo,
  type PoolPart,
} from "./asked.js";
import { ComboSearch, graphOf } from "./combo-search.js";
import { countLabels, labelDifference, type CountLabels } from "./difference.js";
import type { RopeGraph } from "./rope-graph.js";
import { comboScore, gathered, isBounce, type ComboPart } from "./part.js";

/** Draws in vain, one after the other, before the search says that there are no more. */
const VAIN_DRAWS = 300;

function plainFault(pool: readonly PoolPart[], { include, exclude }: CombosAsked): CombosFault | null {
  if (!pool.some(({ part }) => !isBounce(part))) return { code: "empty-pool" };
  for (const key of include) {
    const named = pool.filter(({ part }) => names(key, part));
    if (named.length === 0) return { code: "not-open", key };
    if (named.every(({ part }) => exclude.some((out) => names(out, part))))
      return { code: "in-and-out", key };
  }
  return null;
}

function loosened(asked: CombosAsked, one: Loosening): CombosAsked {
  switch (one.code) {
    case "include":
      return { ...asked, include: asked.include.filter((key) => key !== one.key) };
    case "exclude":
      return { ...asked, exclude: asked.exclude.filter((key) => key !== one.key) };
    case "counts":
      return { ...asked, counts: one.counts };
    case "spacing":
      return { ...asked, spacing: one.spacing };
    case "difficulty":
      return { ...asked, difficulty: "any" };
    case "bounce-ends":
      return { ...asked, bounceEnds: false };
    case "both-sides":
      return { ...asked, bothSides: false };
  }
}

function looseningsOf(asked: CombosAsked): readonly Loosening[] {
  const { include, exclude, counts, spacing, difficulty, bounceEnds, bothSides } = asked;
  const longer = COMBO_COUNTS.filter((one) => one > counts);
  return [
    ...(difficulty === "any" ? [] : [{ code: "difficulty" } as const]),
    ...Array.from(
      { length: spacing },
      (_, less) => ({ code: "spacing", spacing: spacing - 1 - less }) as const,
    ),
    ...(bothSides ? [{ code: "both-sides" } as const] : []),
    ...include.map((key) => ({ code: "include", key }) as const),
    ...exclude.map((key) => ({ code: "exclude", key }) as const),
    ...longer.map((more) => ({ code: "counts", counts: more }) as const),
    ...(bounceEnds ? [{ code: "bounce-ends" } as const] : []),
  ];
}

/** The least that has to give: each constraint alone, else as few of them together as can be found. */
function impossible(pool: readonly PoolPart[], asked: CombosAsked, graph: RopeGraph): CombosFault {
  const isPossible = (question: CombosAsked) => new ComboSearch(pool, question, graph).isPossible();
  const all = looseningsOf(asked);
  const codes = new Set<string>();
  const loosen = all.filter((one) => {
    const code =
      one.code === "spacing" || one.code === "counts"
        ? one.code
        : `${one.code} ${"key" in one ? one.key : ""}`;
    // Of several spacings or lengths the nearest to what was asked is named.
    if (codes.has(code) || !isPossible(loosened(asked, one))) return false;
    codes.add(code);
    return true;
  });
  if (loosen.length > 0) return { code: "impossible", loosen, together: [] };
  let together: readonly Loosening[] = [
    ...new Map(all.map((one) => [`${one.code} ${"key" in one ? one.key : ""}`, one])).values(),
  ];
  const allLoose = (list: readonly Loosening[]) => list.reduce(loosened, asked);
  if (!isPossible(allLoose(together))) return { code: "impossible", loosen: [], together: [] };
  for (const one of together) {
    const fewer = together.filter((other) => other !== one);
    if (isPossible(allLoose(fewer))) together = fewer;
  }
  return { code: "impossible", loosen: [], together };
}

function madeOf(parts: readonly ComboPart[], { dominant }: CombosAsked): MadeCombo {
  const score = comboScore(parts);
  const { beats, handMoves } =
    score === null ? { beats: 0, handMoves: 0 } : measureScore(score, { dominant });
  return { parts: gathered(parts), counts: beats, handMoves };
}

/**
 * `onFound` hears the combos so far and the share of what was asked. The same pool, asked and seed
 * give the same combos.
 */
export function makeCombos(
  pool: readonly PoolPart[],
  asked: CombosAsked,
  onFound: (combos: readonly MadeCombo[], share: number) => void = () => undefined,
): CombosMade {
  const fault = plainFault(pool, asked);
  if (fault !== null) return { ok: false, fault };
  const graph = graphOf(pool, asked);
  const search = new ComboSearch(pool, asked, graph);
  const combos: MadeCombo[] = [];
  const kept: CountLabels[] = [];
  let vain = 0;
  for (let draw = 0; combos.length < asked.howMany && vain < VAIN_DRAWS; draw += 1) {
    const parts = search.draw(asked.seed + draw * 7919);
    if (parts === null) return { ok: false, fault: impossible(pool, asked, graph) };
    const labels = countLabels(parts);
    const least = Math.max(asked.difference, Number.EPSILON);
    const isOther = kept.every((one) => labelDifference(one, labels) >= least);
    vain = isOther ? 0 : vain + 1;
    if (!isOther) continue;
    kept.push(labels);
    combos.push(madeOf(parts, asked));
    onFound([...combos], combos.length / asked.howMany);
  }
  return { ok: true, combos, isShort: combos.length < asked.howMany };
}
