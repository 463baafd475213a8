/**
 * How far somebody has come on a combo's ladder. The order follows the record: a link that keeps
 * missing comes first again.
 */
import { Tally } from "../tally.js";
import type { SideName } from "../sides.js";
import { LINK_SPACINGS } from "../floor/run.js";
import type { Miss, PracticeSet } from "../log/set.js";
import { comboKey } from "../log/combo-subject.js";
import { isPassed } from "../record/passing.js";
import { parseDrill, passOf, type LoggedDrill } from "../syllabus/drill.js";
import { learningSteps, type LearningOptions, type LearningStep } from "./learning-steps.js";
import { linksByTurn, linksOf, onSide, type ComboLink } from "./links.js";
import type { ComboPart } from "./part.js";

/** A set of the combo or of one of its links, as the log has it. */
export interface ComboSet extends Pick<PracticeSet, "drill" | "clean" | "misses" | "bestStreak" | "at"> {
  readonly subject: string;
  readonly side: SideName;
}

/** What the record says of a step. */
interface Walked {
  readonly isPassed: boolean;
  /** Misses of the whole at its link. */
  readonly misses: number;
}

export interface Learning {
  readonly steps: readonly (LearningStep & Walked)[];
  /** The step to do now; null once all are passed. */
  readonly next: string | null;
  /** The link that keeps missing in the whole; null where none does. */
  readonly failing: ComboLink | null;
}

/** Misses at one link, since it was last passed alone, that send it back to the beginning. */
const FAILING = 3;

/** How often one set of a link drill goes through its tries: once for each spacing from its own down. */
function stagesOf(spacing: number): number {
  return LINK_SPACINGS.filter((one) => one <= spacing).length;
}

function isSameScore(step: LearningStep, drill: LoggedDrill): boolean {
  return step.drill.kind === "streak" || drill.score === step.score;
}

function passes(step: LearningStep, set: ComboSet): boolean {
  const { drill } = step;
  if (set.subject !== step.subject || set.side !== step.side || set.drill.kind !== drill.kind) return false;
  if (!isSameScore(step, set.drill)) return false;
  const { tempo = 0, spacing = 0 } = set.drill;
  if (drill.kind === "streak") return (step.tempo === null || tempo >= step.tempo) && isPassed(drill, set);
  if (drill.kind !== "link") return parseDrill(set.drill) !== null && isPassed(drill, set);
  // A link's set says at which spacing it ended, and it ends at none only through all of them.
  const { clean = 0 } = passOf(drill) ?? {};
  return spacing === 0 && set.clean >= clean * stagesOf(drill.spacing);
}

/** What of a combo and side does not change with the record; worked out once for it. */
interface Course {
  readonly links: readonly ComboLink[];
  readonly steps: readonly LearningStep[];
  /** By the rope's bottom, from 0: the link that a miss there belongs to. */
  readonly linkAt: readonly (ComboLink | null)[];
}

const courses = new WeakMap<readonly ComboPart[], Map<string, Course>>();

function courseOf(
  written: readonly ComboPart[],
  options: LearningOptions,
  start: number | null = null,
): Course {
  const ofCombo = courses.get(written) ?? new Map<string, Course>();
  courses.set(written, ofCombo);
  const { id, side, dominant, tempo, heights = {}, steps: danced } = options;
  const high = Object.entries(heights).join(" ");
  const key = [id, side, dominant, tempo, high, start, ...danced.map((step) => step.id)].join(" ");
  const found = ofCombo.get(key);
  if (found !== undefined) return found;
  const parts = onSide(written, side);
  const links = linksOf(parts, options);
  const linkAt = linksByTurn(parts, links);
  const course = { links, steps: learningSteps(written, options, links, start), linkAt };
  ofCombo.set(key, course);
  return course;
}

function missesAt({ linkAt }: Course, misses: readonly Miss[]): Tally<number> {
  const counts = new Tally<number>();
  for (const { turn, count = 1 } of misses) {
    const link = turn === undefined ? null : (linkAt[turn - 1] ?? null);
    if (link !== null) counts.add(link.place, count);
  }
  return counts;
}

/** The steps with what the record says of them, and which is next. O(steps × sets). */
export function learningOf(
  written: readonly ComboPart[],
  options: LearningOptions,
  sets: readonly ComboSet[],
): Learning {
  const course = courseOf(written, options);
  const { links } = course;
  const ofSide = sets.filter((set) => set.side === options.side);
  const wholes = ofSide.filter((set) => set.subject === comboKey(options.id));
  const passedAt = (step: LearningStep | undefined) =>
    step === undefined
      ? -Infinity
      : sets.filter((set) => passes(step, set)).reduce((latest, set) => Math.max(latest, set.at), -Infinity);
  const missed = missesAt(
    course,
    wholes.flatMap((set) => set.misses),
  );
  const failing = links
    .map((link) => {
      const since = passedAt(course.steps.find((one) => one.code === "link" && one.link === link.place));
      const fresh = wholes.filter((set) => set.at > since).flatMap((set) => set.misses);
      return { link, misses: missesAt(course, fresh).of(link.place) };
    })
    .filter(({ misses }) => misses >= FAILING)
    .sort((one, other) => other.misses - one.misses)[0]?.link;
  // What keeps missing is where it is built up from anew.
  const { steps } = failing === undefined ? course : courseOf(written, options, failing.place);
  const known = steps.map((step) => ({
    ...step,
    isPassed: passedAt(step) > -Infinity,
    misses: step.link === null ? 0 : missed.of(step.link),
  }));
  const isBack = (step: LearningStep) => step.code === "link" && step.link === failing?.place;
  const ordered = [...known.filter(isBack), ...known.filter((step) => !isBack(step))];
  const next = ordered.find((step) => isBack(step) || !step.isPassed)?.id ?? null;
  return { steps: ordered, next, failing: failing ?? null };
}
