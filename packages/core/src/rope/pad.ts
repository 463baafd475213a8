/** A score written by presses, turn by turn: what each press makes of what is there. */
import { ARMS, type Arms } from "./arms.js";
import { checkScore } from "./check.js";
import type { RuleFault } from "./fault.js";
import type { Foot, Gesture } from "./feet.js";
import { parseScore } from "./parse.js";
import { printScore } from "./print.js";
import { expandBeats, landingOf, type Beat, type Direction, type Score } from "./score.js";

export type PadPress =
  /** A jump with one turn. */
  | { readonly kind: "turn"; readonly arms: Arms }
  /** Another turn in the jump that was pressed last. */
  | { readonly kind: "more"; readonly arms: Arms }
  | { readonly kind: "feet"; readonly landing: Foot }
  | { readonly kind: "gesture"; readonly gesture: Gesture }
  /** The rope stops under the toes, or goes on. */
  | { readonly kind: "stop" }
  | { readonly kind: "direction" }
  /** The last turn is taken out. */
  | { readonly kind: "back" };

/** Longer ones are typed. */
export const PAD_BEATS = 64;

const EMPTY: Score = { direction: "forward", items: [] };

function beatOf(arms: Arms): Beat {
  return {
    ...{ kind: "beat", turns: [turnOf(arms)], takeOff: null, landing: null, gestures: [], from: 0, to: 0 },
  };
}

function turnOf(arms: Arms): Beat["turns"][number] {
  return { arms, caught: false, from: 0, to: 0 };
}

/** What a score's text is as a score; the empty one for no text; null for what does not parse. */
export function padScore(text: string): Score | null {
  if (text.trim() === "") return EMPTY;
  const parsed = parseScore(text);
  return parsed.ok ? parsed.score : null;
}

function withLast(beats: readonly Beat[], change: (last: Beat) => readonly Beat[]): readonly Beat[] {
  const last = beats.at(-1);
  return last === undefined ? beats : [...beats.slice(0, -1), ...change(last)];
}

function pressedOn(beats: readonly Beat[], press: Exclude<PadPress, { kind: "direction" }>): readonly Beat[] {
  switch (press.kind) {
    case "turn":
      return [...beats, beatOf(press.arms)];
    case "more":
      return withLast(beats, (last) => [{ ...last, turns: [...last.turns, turnOf(press.arms)] }]);
    case "feet":
      return withLast(beats, (last) => [{ ...last, landing: press.landing }]);
    case "gesture":
      return withLast(beats, (last) => {
        const rest = last.gestures.filter((one) => one !== press.gesture);
        return [{ ...last, gestures: rest.length < last.gestures.length ? rest : [...rest, press.gesture] }];
      });
    case "stop":
      return withLast(beats, (last) => [
        {
          ...last,
          turns: last.turns.map((turn, place) =>
            place === last.turns.length - 1 ? { ...turn, caught: !turn.caught } : turn,
          ),
        },
      ]);
    case "back":
      return withLast(beats, (last) =>
        last.turns.length > 1 ? [{ ...last, turns: last.turns.slice(0, -1) }] : [],
      );
  }
}

function scoreFrom(direction: Direction, beats: readonly Beat[]): Score {
  return { direction, items: beats.map((unit) => ({ unit, count: null })) };
}

/** The score after a press; repeats of before are written out. */
export function pressed(score: Score, press: PadPress): Score {
  if (press.kind === "direction") {
    return { ...score, direction: score.direction === "forward" ? "backward" : "forward" };
  }
  // Each by itself, so that a change of the last is no change of another that was the same.
  const beats = expandBeats(score).map((beat) => ({ ...beat }));
  return scoreFrom(score.direction, pressedOn(beats, press));
}

/** The text after a press; empty where nothing is left. */
export function pressedText(score: Score, press: PadPress): string {
  const after = pressed(score, press);
  return after.items.length === 0 ? "" : printScore(after);
}

/** What is new in a score's faults after a press: why it cannot follow what is there; null where it can. */
function faultAfter(score: Score, press: PadPress): RuleFault | null {
  const before = new Set(faultsOf(score).map(({ code, beat, turn }) => `${code} ${beat} ${turn}`));
  return (
    faultsOf(pressed(score, press)).find(({ code, beat, turn }) => !before.has(`${code} ${beat} ${turn}`)) ??
    null
  );
}

function faultsOf(score: Score): readonly RuleFault[] {
  return score.items.length === 0 ? [] : checkScore(score, { loop: false });
}

/** For each of the arms why a turn with them cannot come next, in a jump of its own or in the last one. */
export function padFaults(score: Score, kind: "turn" | "more"): ReadonlyMap<Arms, string> {
  return new Map(
    ARMS.flatMap((arms) => {
      const fault = faultAfter(score, { kind, arms });
      return fault === null ? [] : [[arms, fault.message] as const];
    }),
  );
}

/** The feet that the last jump lands on; null where there is none. */
export function padFeet(score: Score): Foot | null {
  const last = expandBeats(score).at(-1);
  return last === undefined ? null : landingOf(last);
}
