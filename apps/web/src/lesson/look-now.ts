/** Where a coach stands at a moment of a turn. Pure. */
import type { LessonProgress } from "@mirrup/contract";
import { CLASS_LIMITS, type Look } from "@mirrup/core/planning";

export interface LookNow {
  readonly look: Look;
  /** Seconds until they go on. */
  readonly secondsLeft: number;
  /** Where they go then; null where they stay to the end of the turn. */
  readonly next: Look | null;
}

/** A coach's place now: their first while the stations are changed, their last once the time is over. */
export function lookAt(
  looks: readonly Look[],
  coach: number,
  { startedAt }: Pick<LessonProgress, "startedAt">,
  now: number,
): LookNow | null {
  const own = looks.filter((one) => one.coach === coach);
  const minutes = (now - Date.parse(startedAt)) / 60_000 - CLASS_LIMITS.change;
  const place = Math.max(
    0,
    own.findLastIndex((one) => one.from <= minutes),
  );
  const look = own[place];
  if (look === undefined) return null;
  const secondsLeft = Math.max(0, Math.round(60 * (look.from + look.minutes - minutes)));
  return { look, secondsLeft, next: own[place + 1] ?? null };
}
