import type { WeeksView } from "@mirrup/contract";
import { capital, triesWords, wholeWords } from "../app/words.js";

/** Whether it will be enough, and what would be. */
export function outlookWords({ outlook, tries, holds, lessonsNeeded, weeks, lessonsAWeek }: WeeksView): {
  readonly title: string;
  readonly why: string;
} {
  const lessons = weeks.reduce((sum, week) => sum + week.lessons.length, 0);
  const need = `${capital(triesWords(tries))} are left, and the ${lessons} lessons until then hold about ${wholeWords(holds)}.`;
  const range = `It takes about ${lessonsNeeded.expected} lessons (${lessonsNeeded.low} to ${lessonsNeeded.high})`;
  const weekly = weeks.length > 0 ? Math.ceil(lessonsNeeded.expected / weeks.length) : lessonsNeeded.expected;
  const instead =
    weekly > lessonsAWeek && weekly <= 7
      ? ` With ${weekly} lessons a week it could be.`
      : ` At this pace it is ${Math.ceil(lessonsNeeded.expected / Math.max(1, lessonsAWeek))} weeks.`;
  switch (outlook) {
    case "there":
      return { title: "Nothing is left to do", why: "Every goal is cleared, or none is chosen." };
    case "likely":
      return { title: "Likely by then", why: `${need} Even the long end of the range fits.` };
    case "even":
      return { title: "About even", why: `${need} The middle fits, the long end does not.` };
    case "unlikely":
      return { title: "Not likely by then", why: `${need} ${range}.${instead}` };
    case "not-by-then":
      return { title: "Not by then", why: `${need} ${range}.${instead}` };
  }
}
