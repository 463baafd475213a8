/**
 * How far somebody has come on a combo's ladder. The order follows the record: a link that keeps
 * missing comes first again.
 */
import type { SideName } from "../sides.js";
import type { DrillKind } from "../syllabus/drill.js";
import { DRILL_PASSES } from "../syllabus/ladder.js";
import { bestCleanWithin, type Miss, type PracticeSet } from "../log/set.js";
import { comboKey } from "./combo.js";
import { learningSteps, SPACINGS, type LearningOptions, type LearningStep } from "./learning-steps.js";
import { linkAtTurn, linksOf, onSide, type ComboLink } from "./links.js";
import type { ComboPart } from "./part.js";

/** A set of the combo or of one of its links, as the log has it. */
export interface ComboSet extends Pick<PracticeSet, "drill" | "clean" | "misses" | "bestStreak" | "at"> {
  readonly subject: string;
  readonly side: SideName;
}

export interface Learning {
  readonly steps: readonly (LearningStep & { readonly isPassed: boolean; readonly misses: number })[];
  /** The step to do now; null once all are passed. */
  readonly next: string | null;
  /** The link that keeps missing in the whole; null where none does. */
  readonly failing: ComboLink | null;
}

/** Misses at one link, since it was last passed alone, that send it back to the beginning. */
const FAILING = 3;

/** How often one set of a link drill goes through its tries: once for each spacing from its own down. */
function stagesOf({ kind, spacing = 0 }: { readonly kind: DrillKind; readonly spacing?: number }): number {
  return kind === "link" ? SPACINGS.filter((one) => one <= spacing).length : 1;
}

function passes(step: LearningStep, set: ComboSet): boolean {
  const { drill } = step;
  if (set.subject !== step.subject || set.side !== step.side || set.drill.kind !== drill.kind) return false;
  if (drill.kind === "streak")
    return set.bestStreak >= drill.count && (set.drill.tempo ?? 0) >= (step.tempo ?? 0);
  if (set.drill.score !== step.score) return false;
  const pass = DRILL_PASSES[drill.kind];
  if (pass === null) return false;
  const stages = stagesOf(drill);
  // A link's set says at which spacing it ended, and it ends at none only through all of them.
  if (drill.kind === "link") return (set.drill.spacing ?? 0) === 0 && set.clean >= pass.clean * stages;
  return bestCleanWithin(set, pass.of) >= pass.clean;
}

function missesAt(parts: readonly ComboPart[], links: readonly ComboLink[], misses: readonly Miss[]) {
  const counts = new Map<number, number>();
  for (const { turn, count = 1 } of misses) {
    const link = turn === undefined ? null : linkAtTurn(parts, links, turn);
    if (link !== null) counts.set(link.place, (counts.get(link.place) ?? 0) + count);
  }
  return counts;
}

/** The steps with what the record says of them, and which is next. O(steps × sets). */
export function learningOf(
  written: readonly ComboPart[],
  options: LearningOptions,
  sets: readonly ComboSet[],
): Learning {
  const parts = onSide(written, options.side);
  const links = linksOf(parts, options);
  const steps = learningSteps(written, options);
  const ofSide = sets.filter((set) => set.side === options.side);
  const wholes = ofSide.filter((set) => set.subject === comboKey(options.id));
  const passedAt = (step: LearningStep) =>
    sets.filter((set) => passes(step, set)).reduce((latest, set) => Math.max(latest, set.at), -Infinity);
  const missed = missesAt(
    parts,
    links,
    wholes.flatMap((set) => set.misses),
  );
  const failing = links
    .map((link) => {
      const step = steps.find((one) => one.link === link.place);
      const since = step === undefined ? -Infinity : passedAt(step);
      const fresh = wholes.filter((set) => set.at > since).flatMap((set) => set.misses);
      return { link, misses: missesAt(parts, links, fresh).get(link.place) ?? 0 };
    })
    .filter(({ misses }) => misses >= FAILING)
    .sort((one, other) => other.misses - one.misses)[0]?.link;
  const known = steps.map((step) => ({
    ...step,
    isPassed: passedAt(step) > -Infinity,
    misses: step.link === null ? 0 : (missed.get(step.link) ?? 0),
  }));
  const isBack = (step: LearningStep) => step.link !== null && step.link === failing?.place;
  const ordered = [...known.filter(isBack), ...known.filter((step) => !isBack(step))];
  const next = ordered.find((step) => isBack(step) || !step.isPassed)?.id ?? null;
  return { steps: ordered, next, failing: failing ?? null };
}
