/** Every sentence about the craft that the screens say: codes and numbers in, plain words out. */
import type { GroupView, StandingItem, UnmetItem } from "@mirrup/contract";
import { CATALOGUE, FAULTS, SCHOOLS, TERMS } from "@mirrup/catalogue";
import {
  armsWords,
  comboSubject,
  grouped,
  isOwnSkill,
  LEAST_RUN,
  programmeSubject,
  sideNamed,
  skillOfItem,
} from "@mirrup/core";
import { ownDay } from "./own-day.js";
import type { Arms, Family, Gate, MissRule, SchoolId, SideName, WrittenArms } from "@mirrup/core";
import type { Precaution } from "@mirrup/core/planning";
import type {
  Goal,
  MissMap,
  NextReason,
  Status,
  Suggestion,
  TriesLeft,
  WeekLoad,
} from "@mirrup/core/teaching";
import { catalogue, ownWayOf, programmes } from "./catalogue.js";
import { counted, pluralOf } from "./plural.js";

const percent = new Intl.NumberFormat("en", { style: "percent", maximumFractionDigits: 0 });
const list = new Intl.ListFormat("en", { type: "conjunction" });
const dayAndTime = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
const dayOnly = new Intl.DateTimeFormat("en-GB", { dateStyle: "long", timeZone: "UTC" });
const relative = new Intl.RelativeTimeFormat("en", { numeric: "auto" });

export const FAMILY_NAMES: Readonly<Record<Family, string>> = {
  footwork: "Footwork",
  "side-swings": "Side swings",
  crosses: "Crosses",
  multiples: "Multiples",
};

/** What a skill can ask for, as one says it. */
export const PRECAUTION_NAMES: Readonly<Record<Precaution, string>> = {
  shoes: "Shoes that cushion",
  surface: "A floor that gives",
  face: "Eye protection",
  neck: "A rope that is neither beaded nor wire",
};

export const STATUS_NAMES: Readonly<Record<Status, string>> = {
  locked: TERMS.locked.name,
  ready: TERMS.ready.name,
  working: TERMS.working.name,
  cleared: TERMS.cleared.name,
  inferred: TERMS.inferred.name,
  rusty: TERMS.rusty.name,
};

export const SCHOOL_NAMES: Readonly<Record<SchoolId, string>> = {
  "foundation-first": SCHOOLS["foundation-first"].name,
  "steady-hold": SCHOOLS["steady-hold"].name,
  "quick-frontier": SCHOOLS["quick-frontier"].name,
};

export const MISS_RULE_NAMES: Readonly<Record<MissRule, string>> = {
  repeat: "repeat the rung",
  drop: "drop one rung",
  restart: "back to rung 1",
  stop: "stop",
};

export const DAY_NAMES = [
  "Monday",
  "Tuesday",
  "Wednesday",
  "Thursday",
  "Friday",
  "Saturday",
  "Sunday",
] as const;

/** When and where a group meets: `Monday 17:30, Main hall`; empty where nothing is set. */
export function meetingWords({
  weekday,
  startTime,
  place,
}: Pick<GroupView, "weekday" | "startTime" | "place">): string {
  const day = weekday === null ? "" : (DAY_NAMES[weekday - 1] ?? "");
  return [[day, startTime ?? ""].filter(Boolean).join(" "), place].filter(Boolean).join(", ");
}

export function skillName(subject: string): string {
  const combo = comboSubject(subject);
  if (combo !== null) return combo.link === null ? "combo" : "link of a combo";
  const programme = programmeSubject(subject);
  if (programme !== null) {
    const title = programmes().get(programme.programme)?.name ?? "a programme";
    return programme.item === null ? title : `${title}: ${skillName(skillOfItem(programme.item))}`;
  }
  // What is hidden is called as ever: it stands in records.
  const name =
    catalogue().skills.get(subject)?.name ?? ownWayOf(subject)?.name ?? CATALOGUE.skills.get(subject)?.name;
  // Outside of its studio nobody knows what it is called.
  return name ?? (isOwnSkill(subject) ? "a skill of the studio’s own" : subject);
}

/** `cross, left side`, or the bare name of a skill without sides. */
export function subjectName(subject: string, side: SideName): string {
  return side === "whole" ? skillName(subject) : `${skillName(subject)}, ${side} side`;
}

/** A goal: `cross, both sides`. */
export function goalWords({ subject, side }: Goal): string {
  return side === "both" ? `${skillName(subject)}, both sides` : subjectName(subject, side);
}

export type LengthUnit = "cm" | "in";
const MM_PER: Readonly<Record<LengthUnit, number>> = { cm: 10, in: 25.4 };

/** A length in the unit, as a number for a field. */
export function lengthIn(mm: number, unit: LengthUnit): number {
  return Math.round((mm / MM_PER[unit]) * 10) / 10;
}

export function millimetresOf(length: number, unit: LengthUnit): number {
  return Math.round(length * MM_PER[unit]);
}

/** `243 cm (95.7 in)`, the unit in use first. */
export function lengthWords(mm: number, unit: LengthUnit = "cm"): string {
  const other = unit === "cm" ? "in" : "cm";
  return `${lengthIn(mm, unit)} ${unit} (${lengthIn(mm, other)} ${other})`;
}

/** What a rope that does not fit comes to, mm longer or (negative) shorter. */
export function misfitWords(mm: number, unit: LengthUnit): string {
  const by = lengthWords(Math.abs(mm), unit);
  return mm > 0
    ? `The rope in use is ${by} longer than fits; a knot or a cut shortens it.`
    : `The rope in use is ${by} shorter than fits, which asks for clean hands.`;
}

/** Tries left: `about 120 tries (50 to 220)`; beyond a thousand the number means little. */
export function triesWords({ expected, low, high }: TriesLeft): string {
  const number = (tries: number) => (tries > 1000 ? "over 1,000" : String(roundedTries(tries)));
  if (low > 1000) return "over 1,000 tries";
  if (expected > 1000) return `over 1,000 tries (${number(low)} at least)`;
  return `about ${number(expected)} tries (${number(low)} to ${number(high)})`;
}

/** Nobody plans by single tries: two figures are enough. */
function roundedTries(tries: number): number {
  return tries < 20 ? Math.round(tries) : Math.round(tries / 10) * 10;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Whether a growing jumper's runs of today add up to the gate. */
function addsUp(gate: Gate): boolean {
  return gate.kind === "streak" && gate.runsUntil !== undefined && ownDay() < gate.runsUntil;
}

export function gateWords(gate: Gate): string {
  switch (gate.kind) {
    case "streak":
      return addsUp(gate)
        ? `${gate.count} in a row, or in runs of ${LEAST_RUN} and more in one lesson`
        : `${gate.count} in a row`;
    case "hold":
      return `${gate.seconds} s without a miss`;
    case "clean":
      return `${gate.clean} clean of ${gate.of}`;
    case "count":
      return `${gate.count} in ${gate.seconds} s`;
  }
}

/** One suggestion after a set, with its reason. */
export function suggestionWords(suggestion: Suggestion): { readonly title: string; readonly why: string } {
  switch (suggestion.code) {
    case "rest":
      return {
        title: "Rest now, or stop for today",
        why: `Misses climbed through the set, ${suggestion.early} in its first half and ${suggestion.late} in its second. Form goes before strength does.`,
      };
    case "fix": {
      const { name, cause, cue } = FAULTS[suggestion.fault];
      return {
        title: `Say: ${cue}`,
        why: `${capital(name)}, ${counted(suggestion.times, "time")}. ${cause}`,
      };
    }
    case "rope-length":
      return {
        title: "Check the rope’s length",
        why: `${counted(suggestion.misses, "trip")} with no single cause: the rope is the first thing to look at.`,
      };
    case "sibling":
      return {
        title: `Offer the ${skillName(suggestion.subject)}`,
        why: "Three lessons of honest tries moved nothing here; the other variant may come more easily.",
      };
    case "rusty-part":
      return {
        title: `Look at the ${subjectName(suggestion.subject, suggestion.side)} again`,
        why: "It is a part of this skill and its review is overdue; three lessons of honest tries moved nothing.",
      };
    case "load":
      return {
        title: "Enough landings for this week",
        why: `About ${wholeWords(suggestion.landings)} weighted landings, above this week’s allowance of ${wholeWords(suggestion.allowance)}. Work without jumping, or stop here; you decide.`,
      };
    case "reopen":
      return {
        title: "Look whether it is still cleared",
        why: `The last ${suggestion.reviews} reviews came to less than a quarter of the gate. Reopen it if you agree; nothing is reopened by itself.`,
      };
    case "other-side":
      return {
        title: `Now the ${suggestion.side} side`,
        why: "This one meets its gate; the sides are kept in step.",
      };
  }
}

/** The week's landings so far, and what they may come to once that is judged. */
export function weekWords({ landings, estimated, allowance }: Omit<WeekLoad, "weekStart">): string {
  const many = `${estimated > 0 ? "about " : ""}${wholeWords(landings)}`;
  if (allowance === null) return `This week: ${many} weighted landings.`;
  return `This week: ${many} of the ${wholeWords(allowance)} weighted landings that are allowed.`;
}

/** How many misses fell where: `9 of 14 misses have a place: 7 at turn 2, 2 at turn 3.` */
export function missMapWords({ turns, unplaced }: MissMap, all: number): string {
  const places = turns
    .filter((turn) => turn.misses > 0)
    .map(({ turn, misses }) => `${misses} at turn ${turn}`);
  const placed = all - unplaced;
  return `${placed} of the last ${all} misses ${pluralOf(placed, "has", "have")} a place: ${listWords(places)}.`;
}

const whole = new Intl.NumberFormat("en", { maximumFractionDigits: 0 });

export function wholeWords(value: number): string {
  return whole.format(value);
}

/** A side by its key, `cross:left`, in words; the key itself for one that no catalogue has. */
export function keyName(key: string): string {
  if (catalogue().skills.has(key)) return skillName(key);
  if (key.startsWith("combo:")) return "the combo";
  const named = sideNamed(key);
  return named === null || !catalogue().skills.has(named.subject)
    ? key
    : subjectName(named.subject, named.side);
}

/** Whole percent; what is possible is never called 0%. */
export function percentWords(share: number): string {
  return share > 0 && share < 0.005 ? "under 1%" : percent.format(share);
}

export function listWords(names: readonly string[]): string {
  return list.format(names);
}

export function dateTimeWords(instant: string): string {
  return dayAndTime.format(new Date(instant));
}

/** A calendar day of the studio's: `8 June 2026`. */
export function dateWords(day: string): string {
  return dayOnly.format(new Date(`${day}T00:00:00Z`));
}

const weekday = new Intl.DateTimeFormat("en-GB", {
  weekday: "long",
  day: "numeric",
  month: "long",
  timeZone: "UTC",
});

/** A calendar day with its weekday: `Monday 8 June`. */
export function daysWords(day: string): string {
  return weekday.format(new Date(`${day}T00:00:00Z`));
}

/** How long ago, by whole days: `today`, `yesterday`, `3 days ago`. */
export function daysAgoWords(instant: string, now: number): string {
  const midnight = (time: number) => new Date(time).setHours(0, 0, 0, 0);
  const days = Math.round((midnight(new Date(instant).getTime()) - midnight(now)) / 86_400_000);
  return relative.format(days, "day");
}

export function reasonWords(reason: NextReason): string {
  switch (reason.code) {
    case "near-gate":
      return `Best is ${reason.best} of ${reason.gate}: the gate is in reach.`;
    case "other-side":
      return `The ${reason.cleared} side is cleared; this keeps the sides in step.`;
    case "toward-goal":
      return `It is on the way to the goal: ${skillName(reason.goal)}.`;
    case "stuck":
      return "Three lessons of honest tries moved nothing: one step gentler first.";
    case "step-back":
      return "The drill before failed twice running: one step back, and then again.";
    case "whole-once":
      return "Two lessons of gentle drills: once the whole of it, to see.";
    case "review":
      return `Its review was due on ${dateWords(reason.due)}${reason.underGoal ? ", and a goal builds on it" : ""}.`;
    case "opens":
      return `Clearing it opens ${listWords(reason.skills.map(skillName))}.`;
    case "short-of-gate":
      return reason.best === 0
        ? `Begun, no clean one yet; the gate is ${reason.gate}.`
        : `Best is ${reason.best} so far; the gate is ${reason.gate}.`;
    case "new":
      return reason.opens.length === 0
        ? "All that it needs is in place."
        : `All that it needs is in place. It leads to ${listWords(reason.opens.map(skillName))}.`;
    case "second-side":
      return `All that it needs is in place. The ${reason.first} side goes first.`;
  }
}

/** One unmet need: `needs 3 more in a row of cross, left side`. */
function unmetWords({ subject, side, gate, short, have }: UnmetItem): string {
  const what = subjectName(subject, side);
  switch (gate.kind) {
    case "streak":
      return have === 0 ? `${gate.count} in a row of ${what}` : `${short} more in a row of ${what}`;
    case "hold":
      return `${gate.seconds} s of ${what} without a miss`;
    case "clean":
    case "count":
      return `${gateWords(gate)} of ${what}`;
  }
}

/** Why a skill side is locked, a sentence for each need; ways to meet one need are joined by "or". */
export function lockedWords(unmet: readonly UnmetItem[]): string[] {
  const byNeed = grouped(unmet, (one) => one.needIndex);
  return [...byNeed.values()].map((need) => {
    const ways = [...grouped(need, (one) => one.way).values()];
    return `Needs ${ways.map((way) => listWords(way.map(unmetWords))).join(", or ")}.`;
  });
}

/** One side's state as a screen reader says it. */
export function standingWords({
  side,
  status,
  gateBest,
  gate,
  isStuck,
}: Pick<StandingItem, "side" | "status" | "gateBest" | "gate" | "isStuck">): string {
  const name = side === "whole" ? "" : `${side} `;
  const progress =
    status === "working" || (status === "locked" && gateBest > 0)
      ? `, best ${gateBest}, gate ${gateWords(gate)}`
      : "";
  return `${name}${STATUS_NAMES[status]}${isStuck ? ", stuck" : ""}${progress}`;
}

/** A turn's caption on the braid, short enough to stand beside the next one. */
export function captionWords(arms: Arms): string {
  const side = arms.endsWith("l") ? "left" : "right";
  switch (arms) {
    case "o":
      return "open";
    case "xl":
    case "xr":
      return `cross, ${side} on top`;
    case "sl":
    case "sr":
      return `swing ${side}`;
    case "bl":
    case "br":
      return `${side} behind`;
    case "el":
    case "er":
      return `back swing, ${side}`;
    case "ul":
    case "ur":
      return `leg over, ${side}`;
    case "k":
      return "behind knees";
    case "wl":
    case "wr":
      return `wrap ${side}`;
    case "hl":
    case "hr":
      return `${side} let go`;
  }
}

/** From one turn to the next: `side swing right to cross`. */
export function linkWords(from: WrittenArms, to: WrittenArms): string {
  return `${armsWords(from)} to ${armsWords(to)}`;
}
