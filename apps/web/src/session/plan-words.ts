import type { LeftOutWhy, Phase, PlanBlock, PlanReason, Precaution } from "@mirrup/core/planning";
import { listWords, reasonWords, skillName, subjectName } from "../app/words.js";

export const PHASE_NAMES: Readonly<Record<Phase, string>> = {
  "warm-up": "Warm-up",
  "early-hard": "New and hard, while fresh",
  review: "Review",
  main: "Main work",
  combo: "Combo",
  "late-hard": "New and hard, after the main work",
  "cool-down": "Cool-down",
};

const MISSING_WORDS: Readonly<Record<Precaution, string>> = {
  shoes: "no multiples without shoes that cushion",
  surface: "no high jumps on a hard floor",
  face: "the rope can strike the face, and there is no eye protection",
  neck: "the rope passes the neck, and a beaded or wire one is at hand",
};

/** What a block is called: its skill and side, or the combo's own name. */
export function blockName({ subject, side, reason }: PlanBlock): string {
  if (reason.code !== "combo" || reason.combo === null) return subjectName(subject, side);
  return side === "left" ? `${reason.combo.name}, mirrored` : reason.combo.name;
}

export function planReasonWords(reason: PlanReason): string {
  switch (reason.code) {
    case "warm-up":
      return "Easy jumping first, ankles and calves before anything else.";
    case "cool-down":
      return "Easy jumping to end with.";
    case "combo":
      return reason.combo === null
        ? `Both are cleared: ${listWords(reason.skills.map(skillName))}, a bounce between.`
        : `It joins what is known: ${listWords(reason.skills.map(skillName))}.`;
    default:
      return reasonWords(reason);
  }
}

export function leftOutWords(why: LeftOutWhy): string {
  switch (why.code) {
    case "banned":
      return "not today, as you said";
    case "missing":
      return MISSING_WORDS[why.precaution];
    case "tired":
      return "new and hard: not for a tired day";
    case "minutes":
      return "longer than the minutes that are there";
    case "landings":
      return "more landings than the week still allows";
    case "day-landings":
      return "more landings than today should have";
    case "multiples":
      return "more multiples than a growing jumper should do in a lesson";
    case "review-share":
      return "reviews take at most a fifth of the minutes";
    case "less-useful":
      return why.costs > 0
        ? `what is there is worth more, by ${why.costs.toFixed(1)}`
        : "as good as what is there; keep it to have it";
  }
}
