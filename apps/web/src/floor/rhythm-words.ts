import { rhythmOf } from "@mirrup/core/combos";
import type { Tap } from "@mirrup/core/teaching";

/** A drift a minute says nothing about less of one than this, seconds. */
const LEAST_SECONDS = 30;

const signed = new Intl.NumberFormat("en", { maximumFractionDigits: 0, signDisplay: "exceptZero" });

/** When each try was tapped; what was typed, or counted by itself, has no rhythm. */
export function tappedTimes(taps: readonly Tap[]): readonly number[] {
  return taps.flatMap((tap) =>
    tap.kind === "clean" && tap.at !== undefined && (tap.times ?? 1) === 1 ? [tap.at] : [],
  );
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
