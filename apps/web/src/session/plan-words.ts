import type {
  Beyond,
  LeftOutWhy,
  Phase,
  PlanBlock,
  PlanNote,
  PlanReason,
  Precaution,
} from "@mirrup/core/planning";
import { counted } from "../app/plural.js";
import { listWords, reasonWords, skillName, subjectName } from "../app/words.js";

export const PHASE_NAMES: Readonly<Record<Phase, string>> = {
  "warm-up": "Warm-up",
  "early-hard": "New and hard, while fresh",
  review: "Review",
  main: "Main work",
  climb: "A climb",
  combo: "Combo",
  "late-hard": "New and hard, after the main work",
  "no-landing": "Without a landing",
  conditioning: "Conditioning",
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
    case "climb":
      return "Cleared last: up and back down it grows by being done.";
    case "conditioning":
      return "Rounds with a short rest after each: what has to last is built here.";
    case "no-landing":
      return reason.isEnough
        ? "The legs have had enough, and this brings it nearer without a landing."
        : "It fills the minutes that are left, and brings it nearer without a landing.";
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
    case "rest-day":
      return "still growing, and yesterday had many multiples: none today";
    case "new-share":
      return "new, and what is begun has at least half of the main work";
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

const BEYOND_WORDS: Readonly<Record<Beyond, string>> = {
  minutes: "it takes longer than the minutes that are there",
  "review-share": "reviews take more than a fifth of the minutes",
  landings: "it goes past the week’s landings",
  "day-landings": "it has more landings than today should have",
  multiples: "it has more multiples than a growing jumper should do in a lesson",
  "rest-day": "yesterday had many multiples, and a growing jumper should have none today",
  tired: "it is new and hard, and the day is a tired one",
};

/** What a block goes beyond that was kept in; null where it goes beyond nothing. */
export function beyondWords(beyond: readonly Beyond[]): string | null {
  return beyond.length === 0
    ? null
    : `Kept as you said, though ${listWords(beyond.map((one) => BEYOND_WORDS[one]))}.`;
}

/** What a block is worth to the plan: what leaving it out would cost. */
export function worthWords(leaving: number): string {
  return leaving > 0 ? `worth ${leaving.toFixed(1)}` : "can be left out";
}

export function noteWords(note: PlanNote): string {
  switch (note.code) {
    case "allowance":
      return "This week’s landings are used up: beside the warm-up, what is planned does not land.";
    case "rest-day":
      return "Yesterday had many multiples. Somebody who is still growing has a day without them after it.";
    case "empty":
      return note.why === "landings"
        ? `${minutesWords(note.minutes)} left, and the legs have had enough: count for a partner, call a combo out, watch the others.`
        : `${minutesWords(note.minutes)} left, and nothing more is open. Bring something back, set a goal, or plan a shorter session.`;
  }
}

const minutesWords = (minutes: number) => counted(minutes, "minute is", "minutes are");
