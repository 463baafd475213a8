/** What the feet and the body do in a beat (rope-model.md, Feet). */
export const FEET = ["b", "l", "r"] as const;
export type Foot = (typeof FEET)[number];

const UNSIDED = ["apart", "together", "fore", "aft", "squat", "tuck", "plank"] as const;
const SIDED = [
  "front",
  "cross",
  "tap",
  "out",
  "heel",
  "toe",
  "knee",
  "kick",
  "heelkick",
  "swing",
  "twist",
  "lunge",
  "turn",
] as const;

export type Gesture = (typeof UNSIDED)[number] | "left" | "right" | `${(typeof SIDED)[number]}${"l" | "r"}`;

/** Every gesture with its mirror. */
const MIRRORS: ReadonlyMap<string, Gesture> = new Map<string, Gesture>([
  ...UNSIDED.map((gesture) => [gesture, gesture] as const),
  ["left", "right"],
  ["right", "left"],
  ...SIDED.flatMap((name) => [[`${name}l`, `${name}r`] as const, [`${name}r`, `${name}l`] as const]),
]);

export const GESTURES: readonly Gesture[] = [...MIRRORS.values()];

const NAMED: ReadonlyMap<string, Gesture> = new Map(GESTURES.map((gesture) => [gesture, gesture]));

export function gestureNamed(word: string): Gesture | undefined {
  return NAMED.get(word);
}

export function mirrorGesture(gesture: Gesture): Gesture {
  return MIRRORS.get(gesture) ?? gesture;
}

export function mirrorFoot(foot: Foot): Foot {
  switch (foot) {
    case "b":
      return "b";
    case "l":
      return "r";
    case "r":
      return "l";
  }
}

/** Whether the gesture turns the body by half a revolution. */
export function turnsBody(gesture: Gesture): gesture is "turnl" | "turnr" {
  return gesture === "turnl" || gesture === "turnr";
}
