import type { CautionCode } from "@mirrup/core";

/**
 * What each caution says. None of it is medical advice: it defers to the venue's rules, to local
 * codes, and to licensed health professionals.
 */
export const CAUTIONS: Readonly<Record<CautionCode, string>> = {
  "warm-up": "Begin with five minutes of easy jumping, ankles and calves first.",
  surface:
    "Jump on a sprung or shock-absorbing floor, never on bare concrete for high jumps, and on no wet or loose floor.",
  shoes: "Wear shoes that cushion and spring back; no bare feet for multiples.",
  space:
    "Each jumper needs a clear circle (half the arm span and 0.6 m) and 0.9 m above the head. Nobody walks through.",
  load: "The week's landings are above this student's usual. Think of a lighter day.",
  pain: "Pain in shin, heel, calf, knee or foot ends jumping for today. Pain that stays is for a licensed professional.",
  growth:
    "For a growing jumper keep multiples short, vary the work, and leave rest days between days of high impact.",
  condition:
    "With a known heart, bone, joint or breathing condition, a pregnancy or a recent injury, ask for clearance by a licensed professional first.",
  face: "The rope can strike the face: eye protection while learning, slowly first, others at a distance.",
  sting:
    "A fast rope stings: one at a time until the change is sure, long trousers and sleeves. Two hits on one spot end it for today.",
  wrist: "Stop when a wrist hurts.",
  neck: "Slowly first, and never with a beaded or wire rope at speed.",
  fatigue: "Form goes before strength does. Best learned fresh; rest or stop when the misses climb.",
  heat: "Water and shade; stop on dizziness.",
};
