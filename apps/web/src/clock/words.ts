/** What a clock shows, in words that are read from the far end of a hall. */
import type { ClockMoment, Stretch } from "@mirrup/core/teaching";
import { capital } from "../app/words.js";

/** The large word: what is done now. */
export function nowWords({ stretch, call }: ClockMoment): string {
  if (stretch.kind === "rest") return capital(stretch.calls[0]?.name ?? "") || "Rest";
  if (stretch.kind === "count-in") return "Ready";
  return capital(stretch.calls[call?.index ?? 0]?.name ?? "") || "Work";
}

function firstOf(stretch: Stretch | undefined): string {
  if (stretch === undefined) return "the end";
  return (stretch.calls[0]?.name ?? "") || (stretch.kind === "rest" ? "rest" : "work");
}

/** What comes after the call or the stretch at hand. */
export function nextWords(moment: ClockMoment, stretches: readonly Stretch[]): string {
  const { stretch, call, index } = moment;
  const following = call === null ? undefined : stretch.calls[call.index + 1];
  return following === undefined ? firstOf(stretches[index + 1]) : following.name;
}

/** What a programme calls its rounds. */
export type ClockUnit = "round" | "line" | "combo";

/** Where it stands: `round 2 of 3, set 1 of 2`; nothing where there is but one. */
export function placeWords({ place }: Stretch, unit: ClockUnit): string {
  const said = [
    [unit, place.round, place.rounds],
    ["set", place.set, place.sets],
  ] as const;
  return said
    .filter(([, , of]) => of > 1)
    .map(([what, at, of]) => `${what} ${at} of ${of}`)
    .join(", ");
}
