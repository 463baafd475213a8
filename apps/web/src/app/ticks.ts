/** When tries were tapped, out of the taps of a run. */
import type { Tap } from "@mirrup/core/teaching";

/** When each try was tapped; what was typed, or counted by itself, has no rhythm. */
export function tappedTimes(taps: readonly Tap[]): readonly number[] {
  return taps.flatMap((tap) =>
    tap.kind === "clean" && tap.at !== undefined && (tap.times ?? 1) === 1 ? [tap.at] : [],
  );
}

/** What a device keeps of each tick: a hundredth of a second, as near as a finger is. */
export function keptTicks(times: readonly number[]): readonly number[] {
  return times.map((at) => Math.round(100 * at) / 100);
}
