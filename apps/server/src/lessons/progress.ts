/**
 * How far a class is, as several devices say it: pure. Steps are told apart by when they began, and compared by their
 * number, never by the devices' clocks, which need not agree.
 */
import { MOST_TAKEN_BACK, type BegunStep, type LessonProgress, type LessonRun } from "@mirrup/contract";

type Said = Pick<LessonRun, "takesBack"> & { readonly progress: LessonProgress | null | undefined };

const isSame = (one: string, other: string) => Date.parse(one) === Date.parse(other);

/** Whether a class is further than a device knew: at a later step, or at the same one, begun by another device first. */
function isBehind(said: LessonProgress, known: LessonProgress): boolean {
  if (said.step !== known.step) return said.step < known.step;
  return !isSame(said.startedAt, known.startedAt);
}

/** A step, or the last one on the way to it that was not taken back too. */
function lastLeft(said: LessonProgress, isGone: (step: BegunStep) => boolean): LessonProgress {
  const { trail = [] } = said;
  const before = trail.at(-1);
  if (!isGone(said) || before === undefined) return said;
  const skipped = said.skipped.filter((step) => step < before.step);
  return lastLeft({ ...before, skipped, trail: trail.slice(0, -1) }, isGone);
}

/**
 * Where a class is after something was said of it. A step is left as it is by one before it, unless that takes it back
 * by name; a step that was taken back counts no more, however late and often it comes. Whoever takes back a step that
 * the class has left since takes back that step alone.
 */
export function progressAfter(
  known: LessonProgress | null,
  { progress: said, takesBack }: Said,
): LessonProgress | null {
  if (said === undefined) return known;
  if (known === null || said === null) return said;
  const before = known.takenBack ?? [];
  const isNew = takesBack !== undefined && !before.some((one) => isSame(one, takesBack));
  const gone = isNew ? [...before, takesBack].slice(-MOST_TAKEN_BACK) : before;
  const kept = (progress: LessonProgress): LessonProgress => {
    const { takenBack: _, ...step } = progress;
    return gone.length === 0 ? step : { ...step, takenBack: gone };
  };
  const isGone = ({ startedAt }: BegunStep) => gone.some((one) => isSame(one, startedAt));
  if (takesBack === undefined) return kept(isGone(said) || isBehind(said, known) ? known : said);
  return kept(isSame(takesBack, known.startedAt) && said.step < known.step ? lastLeft(said, isGone) : known);
}
