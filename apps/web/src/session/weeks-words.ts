import type { WeeksView } from "@mirrup/contract";
import type { Give } from "@mirrup/core/planning";
import { counted, pluralOf } from "../app/plural.js";
import { oddsWords } from "../app/drill-words.js";
import { capital, dateWords, goalWords, subjectName, triesWords, wholeWords } from "../app/words.js";

/** Whether it will be enough, and what would be. */
export function outlookWords({
  outlook,
  tries,
  holds,
  lessonsNeeded,
  weeks,
  lessonsAWeek,
  chance,
}: WeeksView): {
  readonly title: string;
  readonly why: string;
} {
  const lessons = weeks.reduce((sum, week) => sum + week.lessons.length, 0);
  const need = `${capital(triesWords(tries))} are left, and the ${counted(lessons, "lesson")} until then ${pluralOf(lessons, "holds", "hold")} about ${wholeWords(holds)}: ${oddsWords(chance)} by then.`;
  const range = `It takes about ${counted(lessonsNeeded.expected, "lesson")} (${lessonsNeeded.low} to ${lessonsNeeded.high})`;
  const pace = ` At this pace it is ${counted(Math.ceil(lessonsNeeded.expected / Math.max(1, lessonsAWeek)), "week")}.`;
  switch (outlook) {
    case "there":
      return { title: "Nothing is left to do", why: "Every goal is cleared, or none is chosen." };
    case "likely":
      return { title: "Likely by then", why: need };
    case "even":
      return { title: "About even", why: `${need} It can go either way.` };
    case "unlikely":
      return { title: "Not likely by then", why: `${need} ${range}.${pace}` };
    case "not-by-then":
      return { title: "Not by then", why: `${need} ${range}.${pace}` };
  }
}

/** What would have to give, and what it would be then. */
export function giveWords(give: Give): string {
  const odds = oddsWords(give.chance);
  switch (give.code) {
    case "lessons":
      return `${counted(give.aWeek, "lesson")} a week: ${odds} by then`;
    case "later":
      return `Until ${dateWords(give.until)} instead: ${odds}`;
    case "nearer":
      return `As far as ${subjectName(give.subject, give.side)}: ${odds} by then`;
    case "without":
      return `Without ${goalWords(give.goal)}: ${odds} by then`;
  }
}
