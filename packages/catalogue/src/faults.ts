import type { DrillKind, FaultCode } from "@mirrup/core";

/** What an instructor sees when a try misses, why it happens, and what mends it. */
export interface FaultEntry {
  /** A few words for a button. */
  readonly name: string;
  readonly sign: string;
  readonly cause: string;
  readonly cue: string;
  /** The drill that goes with the cue; null where the cue alone is the fix. */
  readonly drill: DrillKind | null;
}

export const FAULTS: Readonly<Record<FaultCode, FaultEntry>> = {
  toes: {
    name: "caught the toes",
    sign: "The rope catches the toes.",
    cause: "Hands held wide or risen, so the loop is short; or the jump is late.",
    cue: "Elbows in, hands low.",
    drill: "toe-catch",
  },
  heels: {
    name: "caught behind",
    sign: "The rope catches behind, on its way through.",
    cause: "Hands behind the hips, or an early landing.",
    cue: "Hands slightly in front; listen for the tick before you take off.",
    drill: "one-out",
  },
  head: {
    name: "the head",
    sign: "The rope clips the head.",
    cause: "Body too upright or arms lifted in the cross; the loop is short.",
    cue: "Cross low with a slight hunch, and check the rope's length.",
    drill: "toe-catch",
  },
  shoulder: {
    name: "a shoulder",
    sign: "The rope clips a shoulder.",
    cause: "The handles do not get past the shoulders in the cross.",
    cue: "Reach wider, round the shoulders.",
    drill: "toe-catch",
  },
  neck: {
    name: "the neck or trunk",
    sign: "The rope lashes the neck or winds round the trunk.",
    cause: "A front-back cross entered with a sideways swing, or too fast.",
    cue: "Swing straight from back to front, slowly.",
    drill: "toe-catch",
  },
  face: {
    name: "face, chest or foot",
    sign: "The rope strikes face or chest, or catches the foot.",
    cause: "Backward turning with the hands off the hip line.",
    cue: "Hands back on the hip line; backward singles; eye protection.",
    drill: "streak",
  },
  narrow: {
    name: "loop too small",
    sign: "The loop is too small to jump.",
    cause: "The forearms meet near the hands instead of near the elbows; not crossed far enough.",
    cue: "Cross deep and low; the upper forearm holds the lower one down.",
    drill: "toe-catch",
  },
  tilt: {
    name: "rope crooked",
    sign: "The rope goes crooked.",
    cause: "The wrists point up or down in the cross.",
    cue: "Wrists level, handles pointing out.",
    drill: "rounds",
  },
  float: {
    name: "arms drifting",
    sign: "The arms drift away from the body.",
    cause: "Tension, or too much speed.",
    cue: "Press the arms in.",
    drill: "rounds",
  },
  "late-cross": {
    name: "crossed too late",
    sign: "The second turn catches in a fused double.",
    cause: "The arms change too late.",
    cue: "Arms done before the landing; jump higher.",
    drill: "shadow",
  },
  "late-open": {
    name: "opened too late",
    sign: "The cross does not open before the landing.",
    cause: "The hands wait for the feet.",
    cue: "Open in the air.",
    drill: "one-stop",
  },
  exit: {
    name: "on the way out",
    sign: "The leg-over cross catches on the way out.",
    cause: "The lifted or the standing leg is in the way; feet too close.",
    cue: "Feet wider, the standing heel kicked back.",
    drill: "one-out",
  },
  kick: {
    name: "kicked or piked",
    sign: "The heels kick back or the feet pike.",
    cause: "A jump that is too low, or panic.",
    cue: "Higher and straight. While a cross or a double is new some let it pass, then fade it out.",
    drill: "one-out",
  },
  "drift-back": {
    name: "slid backward",
    sign: "The jumper slides backward.",
    cause: "Backward turning, or looking up.",
    cue: "Aim each landing a hand's width ahead; eyes level.",
    drill: null,
  },
  "drift-forward": {
    name: "travelled forward",
    sign: "The jumper travels forward.",
    cause: "Looking down.",
    cue: "Eyes level, or at a spot about six metres ahead.",
    drill: null,
  },
  "feet-apart": {
    name: "feet apart",
    sign: "A foot clips the side of the rope.",
    cause: "Feet apart in the jump.",
    cue: "Feet together.",
    drill: null,
  },
  "same-knee": {
    name: "one knee only",
    sign: "One knee does all the lifting.",
    cause: "The alternation is lost.",
    cue: "Turn slowly; stand on one foot before the other takes over.",
    drill: "shadow",
  },
  rush: {
    name: "rushed",
    sign: "The tempo climbs through the set.",
    cause: "Effort and adrenaline.",
    cue: "Count aloud; use the metronome.",
    drill: null,
  },
  uneven: {
    name: "uneven",
    sign: "Some repetitions sound different.",
    cause: "The arms move further or faster in some.",
    cue: "Make each a copy of the last.",
    drill: "climb",
  },
  weight: {
    name: "wrong foot",
    sign: "The next move starts on the wrong foot.",
    cause: "Landed square before a one-foot move.",
    cue: "Load the foot of the coming swing's side, the other heel light.",
    drill: "shadow",
  },
  flick: {
    name: "handle astray",
    sign: "The released handle flies over or falls short.",
    cause: "The wrist pulls too strongly, or too faintly.",
    cue: "Practise the flick alone, with one handle.",
    drill: "shadow",
  },
  reopen: {
    name: "rope slack between",
    sign: "The rope slackens between repetitions.",
    cause: "The hands do not open wide between crosses.",
    cue: "Open the hands fully.",
    drill: "spaced",
  },
  stall: {
    name: "rope died",
    sign: "The rope dies in the cross.",
    cause: "The wrists stop once the arms are crossed; crossed far, each hand seems to circle the other way.",
    cue: "Circle the wrists with no rope while you cross and uncross.",
    drill: "rounds",
  },
  "short-back": {
    name: "rear hand short",
    sign: "The front-back cross is too small.",
    cause: "The rear handle ends at the middle of the back.",
    cue: "Push it out past the far hip until it shows; grip nearer its end, rear shoulder turned back.",
    drill: "toe-catch",
  },
  flat: {
    name: "heavy landing",
    sign: "Heavy, loud landings.",
    cause: "The whole foot is put down.",
    cue: "Forefoot first, a lower jump. Normal in the first days.",
    drill: null,
  },
  posture: {
    name: "posture",
    sign: "The chest sinks or the back arches.",
    cause: "The eyes search for the rope.",
    cue: "Look ahead; turn the rope at the side until the beat is sure.",
    drill: "side-rope",
  },
  variant: {
    name: "another form",
    sign: "Clean, but another form than was asked.",
    cause: "The form was not agreed.",
    cue: "Agree it first. It is logged as done, not counted.",
    drill: null,
  },
};
