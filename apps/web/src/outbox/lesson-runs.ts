/** What was tapped in a hall, by lesson: attendance, steps, the end. */
import type { LessonRun, LessonView } from "@mirrup/contract";
import { patch } from "../app/api.js";
import { queryClient } from "../app/query-client.js";
import { currentSender, isOf, type Sender } from "./sender.js";
import { hasKeys, WaitingList, type Waiting } from "./waiting-list.js";

export interface WaitingRun extends Waiting {
  readonly lessonId: string;
  readonly run: LessonRun;
}

const takers = new Set<(lesson: LessonView) => boolean>();

/** Calls back with every lesson that the server answers a run with; the taker says whether it is theirs. */
export function onRunStored(taker: (lesson: LessonView) => boolean): () => void {
  takers.add(taker);
  return () => takers.delete(taker);
}

export const lessonRuns = new WaitingList<WaitingRun>({
  key: "mirrup-lesson-runs",
  isItem: (value): value is WaitingRun => hasKeys(value, ["lessonId", "run", "sender"]),
  send: async ({ lessonId, run }) => {
    const lesson = await patch<LessonView>(`/lessons/${lessonId}/run`, run);
    const taken = [...takers].map((take) => take(lesson));
    if (!taken.includes(true)) await queryClient.invalidateQueries({ queryKey: ["lessons"] });
  },
});

/** Two runs as one: the later word on each thing counts. */
export function runsTogether(earlier: LessonRun, later: LessonRun): LessonRun {
  const by = (of: "attendance" | "ownRopes") =>
    earlier[of] === undefined && later[of] === undefined ? {} : { [of]: { ...earlier[of], ...later[of] } };
  return { ...earlier, ...later, ...by("attendance"), ...by("ownRopes") };
}

/** What waits of a lesson, of whoever is here; null for nothing. */
export function runOf(
  waiting: readonly WaitingRun[],
  sender: Sender | null,
  lessonId: string,
): LessonRun | null {
  const own = waiting.filter((one) => one.lessonId === lessonId && isOf(sender, one.sender));
  return own.length === 0 ? null : own.map((one) => one.run).reduce(runsTogether);
}

/** Takes a tap of the hall in, on top of what waits of the same lesson. */
export function runLesson(lessonId: string, run: LessonRun): void {
  const sender = currentSender();
  if (sender === null) return;
  const before = runOf(lessonRuns.all(), sender, lessonId);
  lessonRuns.put(
    { lessonId, run: before === null ? run : runsTogether(before, run), sender },
    (other) => other.lessonId === lessonId && isOf(sender, other.sender),
  );
}

const OLD_KEY = "mirrup-lesson ";

/** A run as an older version of Mirrup kept it; null for what is none. */
export function oldRun(text: string | null): LessonRun | null {
  try {
    const kept: unknown = JSON.parse(text ?? "null");
    return typeof kept === "object" ? kept : null;
  } catch {
    return null;
  }
}

/** Takes over what an older version of Mirrup kept of each lesson apart, as of whoever is here. */
export function adoptOldRuns(): void {
  if (currentSender() === null) return;
  for (const key of Object.keys(localStorage).filter((one) => one.startsWith(OLD_KEY))) {
    const run = oldRun(localStorage.getItem(key));
    localStorage.removeItem(key);
    if (run !== null) runLesson(key.slice(OLD_KEY.length), run);
  }
}
