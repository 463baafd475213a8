/** A report's sentences: for a student or a parent, who know no gates and no rungs. */
import { coachingOf, CAUTIONS } from "@mirrup/catalogue";
import type { NextItem } from "@mirrup/contract";
import { DRILL_ROWS, skillOf, type CautionCode } from "@mirrup/core";
import { catalogue } from "../app/catalogue.js";
import { drillOfWords } from "../app/drill-words.js";
import { counted } from "../app/plural.js";
import { capital, dateWords, listWords, skillName, subjectName } from "../app/words.js";
import type { Learned, Report, Working } from "./report.js";

/** `the cross on both sides`, `the skier`, `the leg-over on the right`. */
export function learnedWords({ subject, sides }: Learned): string {
  const name = `the ${skillName(subject)}`;
  const [only = "whole"] = sides;
  if (sides.length > 1) return `${name} on both sides`;
  return only === "whole" ? name : `${name} on the ${only}`;
}

export function summaryWords(
  name: string,
  { lessons, tries, learned }: Report,
  { from, to }: { readonly from: string; readonly to: string },
): string {
  const period = `From ${dateWords(from)} to ${dateWords(to)}`;
  if (lessons === 0) return `${period} nothing of ${name} was counted.`;
  const new_ =
    learned.length === 0
      ? "Nothing new was finished in this time; what was begun goes on."
      : `New: ${listWords(learned.map(learnedWords))}.`;
  return `${period} ${name} practised on ${counted(lessons, "day")}, ${counted(tries, "try", "tries")} in all. ${new_}`;
}

/** How far something is, without a number that asks to be compared. */
function farWords(share: number): string {
  if (share >= 0.8) return "nearly there";
  if (share >= 0.4) return "well on the way";
  return "begun";
}

export function workingWords({ subject, side, share }: Working): string {
  return `${capital(subjectName(subject, side))}: ${farWords(share)}.`;
}

export function nextWords({ subject, side, drill }: NextItem): string {
  return `${capital(subjectName(subject, side))}: ${drillOfWords(subject, side, drill)}.`;
}

/** What is done at home, what to say, and what to look at. */
export function atHomeWords({ subject, side, drill }: NextItem): {
  readonly what: string;
  readonly say: string;
  readonly look: string;
} {
  const { say, look } = coachingOf(skillOf(catalogue(), subject), drill);
  return {
    what: `${capital(subjectName(subject, side))}, ${drillOfWords(subject, side, drill)}`,
    say,
    look,
  };
}

/** What to take care of in what comes next, each once; what holds for all jumping first. */
export function careWords(items: readonly NextItem[]): readonly string[] {
  const asked = items
    .filter(({ drill }) => DRILL_ROWS[drill.kind].hasRope)
    .flatMap(({ subject }) => catalogue().skills.get(subject)?.cautions ?? []);
  const always: readonly CautionCode[] = ["warm-up", "surface", "space", "pain"];
  return [...new Set([...always, ...asked])].map((code) => CAUTIONS[code]);
}

/** The whole report as a letter has it. */
export function reportText(
  name: string,
  report: Report,
  period: { readonly from: string; readonly to: string },
  goals: readonly string[],
): string {
  const part = (title: string, lines: readonly string[]) =>
    lines.length === 0 ? [] : [`${title}\n${lines.map((line) => `- ${line}`).join("\n")}`];
  const atHome = report.atHome
    .map(atHomeWords)
    .map(({ what, say, look }) => `${what}. ${say} Look at: ${look}`);
  return [
    summaryWords(name, report, period),
    ...part("Being worked on", report.working.map(workingWords)),
    ...part("What comes next", report.next.map(nextWords)),
    ...(goals.length === 0 ? [] : [goalsWords(goals, report.left)]),
    ...part("How to help at home", atHome),
    ...part("Take care", careWords(report.next)),
  ].join("\n\n");
}

/** The goals, and how much of the way is left. */
export function goalsWords(goals: readonly string[], left: number): string {
  const way =
    left === 0
      ? "The way is done."
      : `${counted(left, "side of a skill is", "sides of skills are")} still on the way.`;
  return `The goal: ${listWords(goals)}. ${way}`;
}
