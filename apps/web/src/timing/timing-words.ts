/** A score's timing as a coach says it, and as a sheet has it. */
import { armsWords } from "@mirrup/core";
import {
  LEAST_LANDINGS,
  type ArmWindow,
  type JumpInstant,
  type JumpReading,
  type SpeedChange,
  type SpeedRemedy,
} from "@mirrup/core/figure";
import { heightWords } from "../app/jump-words.js";
import type { Sheet } from "../app/sheet.js";
import { listWords, type LengthUnit } from "../app/words.js";

const ms = (seconds: number) => Math.round(1000 * seconds);

export const WINDOW_NAMES: Readonly<Record<ArmWindow["kind"], string>> = {
  closing: "closes",
  opening: "opens",
  changing: "changes",
};

export function windowName({ arms, kind }: Pick<ArmWindow, "arms" | "kind">): string {
  const [from, to] = arms.map(armsWords);
  return kind === "opening" ? `Opens from ${from}` : `${kind === "closing" ? "Closes" : "Changes"} to ${to}`;
}

/** `168 ms after take-off, 67 ms after the top, 34 ms before landing`. */
export function instantWords({ afterTakeOff, afterTop, beforeLanding }: JumpInstant): string {
  if (beforeLanding < 0) return `${ms(-beforeLanding)} ms after landing`;
  if (afterTakeOff < 0) return `${ms(-afterTakeOff)} ms before take-off`;
  const top = ms(afterTop);
  const around = top === 0 ? "at the top" : `${Math.abs(top)} ms ${top < 0 ? "before" : "after"} the top`;
  return `${ms(afterTakeOff)} ms after take-off, ${around}, ${ms(beforeLanding)} ms before landing`;
}

const rateWords = (rate: number) => `${Math.round(rate)} a minute`;

export function changeWords({ rates }: SpeedChange, from: string, to: string): string {
  const [one, other] = rates;
  return `From ${from} to ${to} the rope has to turn ${other > one ? "faster" : "slower"}: ${rateWords(one)}, then ${rateWords(other)}.`;
}

/** What makes it equal, as something to do. `slower` and `faster` name the two moves. */
export function remedyWords(remedy: SpeedRemedy, slower: string, faster: string, unit: LengthUnit): string {
  switch (remedy.kind) {
    case "quicker-hop":
      return `Hop the ${slower} lower and quicker: ${heightWords(remedy.height, unit)}, ${ms(remedy.contact)} ms on the floor; both turn ${rateWords(remedy.rate)}.`;
    case "higher":
      return `Jump the ${faster} higher and calmer: ${heightWords(remedy.height, unit)}; both turn ${rateWords(remedy.rate)}.`;
    case "bounces":
      return `Put ${remedy.rates.length === 1 ? "one bounce" : `${String(remedy.rates.length)} bounces`} between: ${listWords(remedy.rates.map(rateWords))}.`;
  }
}

/** Why taps told no height, and what to do. */
export function unreadWords(why: Extract<JumpReading, { ok: false }>["why"], taps: number): string {
  switch (why) {
    case "few":
      return taps === 0
        ? "Tap each landing of ten rebounds in a row."
        : `${String(taps)} of 11 landings tapped; ${String(LEAST_LANDINGS)} are the least.`;
    case "short":
      return "These taps follow each other faster than anybody lands. Tap each landing once.";
    case "high":
      return "These taps are too far apart for rebounds. Begin anew, and tap every landing.";
  }
}

/** Every window with its numbers in milliseconds. */
export function windowsSheet(windows: readonly ArmWindow[]): Sheet {
  const ends = (at: JumpInstant) => [ms(at.afterTakeOff), ms(at.afterTop), ms(at.beforeLanding)];
  const fields = [
    ...["from jump", "to jump", "arms from", "arms to", "kind"],
    ...["begins after take-off ms", "begins after top ms", "begins before landing ms"],
    ...["ends after take-off ms", "ends after top ms", "ends before landing ms"],
    ...["window ms", "hand moves", "hand moves a second", "tightest"],
  ];
  const rows = windows.map(({ from, to, arms, kind, begin, end, seconds, cost, demand, isTightest }) => [
    ...[from.beat + 1, to.beat + 1, ...arms.map(armsWords), WINDOW_NAMES[kind]],
    ...[...ends(begin), ...ends(end), ms(seconds), cost, Number(demand.toFixed(2)), isTightest ? "yes" : ""],
  ]);
  return { fields, rows };
}
