/**
 * The rules of a beat (rope-model.md, Rules), in the order of the table. Each answers a sentence,
 * or null where the beat keeps it.
 */
import { isSideSwing, UNDER_FEET } from "./arms.js";
import { turnsBody, type Foot } from "./feet.js";
import type { RuleCode } from "./fault.js";
import { defaultLanding } from "./score.js";
import type { TracedBeat } from "./trace.js";

const FOOT_WORDS: Readonly<Record<Foot, string>> = {
  b: "both feet",
  l: "the left foot",
  r: "the right foot",
};

function noPass({ turns }: TracedBeat): string | null {
  if (turns.length < 2 || turns.some(({ arms }) => UNDER_FEET[arms])) return null;
  return "In a multiple the rope goes under the feet at least once. Here it swings past every time; jump it in single beats.";
}

function leg({ turns, landing }: TracedBeat): string | null {
  const last = turns.at(-1)?.arms;
  if (last !== "ul" && last !== "ur") return null;
  const standing = defaultLanding(last);
  if (landing === standing) return null;
  const lifted = last === "ul" ? "left" : "right";
  return `A leg-over cross with the ${lifted} leg lifted lands on ${FOOT_WORDS[standing]}. Here it lands on ${FOOT_WORDS[landing]}.`;
}

function weight({ takeOff, weight: ground }: TracedBeat): string | null {
  if (ground === "b" || takeOff === ground) return null;
  return `Only ${FOOT_WORDS[ground]} is on the ground, so the jump starts from there. Here it starts from ${FOOT_WORDS[takeOff]}.`;
}

function facing({ beat, turns, direction }: TracedBeat): string | null {
  const [only] = turns;
  const arms = turns.length === 1 ? only?.arms : undefined;
  if (arms === "o" && direction === "backward") return null;
  for (const gesture of beat.gestures) {
    if (!turnsBody(gesture)) continue;
    const side = gesture === "turnl" ? "left" : "right";
    if (arms !== undefined && isSideSwing(arms) && arms === (gesture === "turnl" ? "sl" : "sr")) continue;
    return `The body turns ${side} on a side swing to the ${side}, or on an open turn while the rope goes backward. Here it is neither.`;
  }
  return null;
}

function caught({ turns }: TracedBeat): string | null {
  if (!turns.some(({ turn }) => turn.caught)) return null;
  if (turns.slice(0, -1).some(({ turn }) => turn.caught))
    return "The rope stops under the toes on the last turn of a beat. Here another turn follows.";
  const last = turns.at(-1);
  if (last === undefined || UNDER_FEET[last.arms]) return null;
  return "Only a rope that comes to the feet can be stopped under the toes. Here it swings past beside the body.";
}

interface BeatRule {
  readonly code: RuleCode;
  readonly broken: (beat: TracedBeat) => string | null;
}

export const BEAT_RULES: readonly BeatRule[] = [
  { code: "no-pass", broken: noPass },
  { code: "leg", broken: leg },
  { code: "weight", broken: weight },
  { code: "facing", broken: facing },
  { code: "catch", broken: caught },
];

export const SLACK_MESSAGE =
  "A turning rope goes slack after one extra hop. Take a turn between the hops, or stop the rope first.";
