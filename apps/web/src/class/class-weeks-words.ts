import type { ClassWeeksView } from "@mirrup/contract";
import type { ClassGive, ClassWeek, Outlook } from "@mirrup/core/planning";
import { counted, pluralOf } from "../app/plural.js";
import { oddsWords } from "../app/drill-words.js";
import { capital, dateWords, listWords, skillName } from "../app/words.js";

export const OUTLOOK_NAMES: Readonly<Record<Outlook, string>> = {
  there: "Ready",
  likely: "Likely by then",
  even: "About even",
  unlikely: "Not likely by then",
  "not-by-then": "Not by then",
};

/** How many of the class are likely to be ready, and whether all of them are. */
export function readyWords({ students, likely, chanceOfAll, until }: ClassWeeksView): string {
  const many = students.length;
  const by = `by ${dateWords(until)}`;
  if (many === likely && students.every((one) => one.outlook === "there")) return "Everybody is ready.";
  const are = pluralOf(likely, "is", "are");
  return `${likely} of ${many} ${are} likely to be ready ${by}. All of them: ${oddsWords(chanceOfAll)}.`;
}

export function classGiveWords(give: ClassGive): string {
  const so = `${give.likely} likely to be ready`;
  return give.code === "lessons"
    ? `${counted(give.aWeek, "lesson")} a week: ${so} by then`
    : `Until ${dateWords(give.until)} instead: ${so}`;
}

/** `Cross: 8 students, then the gate for Ash and Birch`. */
export function workWords(
  { subject, students, finishing }: ClassWeek["work"][number],
  nameOf: (id: string) => string,
): string {
  const who = students.length === 1 ? listWords(students.map(nameOf)) : `${students.length} students`;
  const done =
    finishing.length === 0
      ? ""
      : students.length === 1
        ? ", then the gate"
        : `, then the gate for ${listWords(finishing.map(nameOf))}`;
  return `${capital(skillName(subject))}: ${who}${done}`;
}
