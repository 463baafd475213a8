import { rhythmOf } from "@mirrup/core/combos";
import { listWords } from "../app/words.js";

/** A drift a minute says nothing about less of one than this, seconds. */
const LEAST_SECONDS = 30;

const signed = new Intl.NumberFormat("en", { maximumFractionDigits: 0, signDisplay: "exceptZero" });

const ordinal = new Intl.PluralRules("en", { type: "ordinal" });
const SUFFIXES = { one: "st", two: "nd", few: "rd", other: "th", zero: "th", many: "th" } as const;
const nth = (number: number) => `${number}${SUFFIXES[ordinal.select(number)]}`;
/** More than a coach can look at. */
const MOST_NAMED = 4;

/** How even a whole set was, which of its clean tries came early or late, and where it went; empty for too few. */
export function setRhythmWords(ticks: readonly number[]): string {
  const rhythm = rhythmOf(ticks);
  if (rhythm === null) return "";
  const usual = 60 / rhythm.tempo;
  const named = rhythm.standouts.slice(0, MOST_NAMED).map((place) => {
    const length = (ticks[place] ?? 0) - (ticks[place - 1] ?? 0);
    return `the ${nth(place + 1)} came ${length > usual ? "late" : "early"}`;
  });
  const more = rhythm.standouts.length - named.length;
  const stood = more > 0 ? [...named, `${more} more stood out`] : named;
  return `${[rhythmWords(ticks), ...(stood.length === 0 ? [] : [listWords(stood)])].join("; ")}.`;
}

/** How even ticks are so far, with their drift; empty for fewer than three. */
export function rhythmWords(times: readonly number[]): string {
  const rhythm = rhythmOf(times);
  if (rhythm === null) return "";
  const spans = (times.at(-1) ?? 0) - (times[0] ?? 0);
  const drift =
    spans < LEAST_SECONDS || rhythm.drift === null || Math.abs(rhythm.drift) < 1
      ? ""
      : `, ${signed.format(rhythm.drift)}% a minute`;
  return `${Math.round(rhythm.tempo)} a minute, evenness ${Math.round(rhythm.evenness)}${drift}`;
}
