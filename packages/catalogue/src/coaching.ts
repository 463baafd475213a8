/**
 * What is said and what is looked at in each drill, and what one goes back to (drills.md, 1 Checks and
 * cues by drill). A row is for some kinds and, where it says so, for some groups; the first that fits is
 * the drill's.
 */
import {
  expandBeats,
  parseScore,
  skillArms,
  type Drill,
  type DrillKind,
  type Score,
  type Skill,
} from "@mirrup/core";

export interface Coaching {
  /** One cue, as it is said. */
  readonly say: string;
  /** What to look at, or to listen for. */
  readonly look: string;
  /** What is gentler than this. */
  readonly back: string;
}

/** What a row can be about: read off the score, else the skill's class. */
type Group =
  | Skill["skillClass"]
  | "open"
  | "backward"
  | "leg-over"
  | "front-back"
  | "knees"
  | "letting-go"
  | "turning"
  | "swing-cross"
  | "two-feet";

interface Row extends Coaching {
  readonly kinds: readonly DrillKind[];
  readonly groups?: readonly Group[];
}

const row = (
  kinds: readonly DrillKind[],
  groups: readonly Group[] | null,
  say: string,
  look: string,
  back: string,
): Row => ({
  kinds,
  ...(groups === null ? {} : { groups }),
  say,
  look,
  back,
});

const ROWS: readonly Row[] = [
  row(
    ["watch"],
    null,
    "Watch from the side, then from the front; say what comes when.",
    "They can tell the order.",
    "slower still",
  ),
  row(
    ["shadow"],
    ["letting-go"],
    "Open one hand; a small pull.",
    "The rope ends before the face.",
    "the pull alone, on the floor",
  ),
  row(["shadow"], ["turning"], "The hands lead.", "One way round.", "quarter turns"),
  row(["shadow"], ["knees"], "In from the front.", "Fists outside the knees.", "one arm"),
  row(
    ["shadow"],
    ["front-back"],
    "The hidden hand past the hip.",
    "From the front: both handles show.",
    "one arm",
  ),
  row(
    ["shadow"],
    ["leg-over"],
    "The other arm under the thigh; fold.",
    "Both wrists are outside the body.",
    "the arms alone",
  ),
  row(
    ["shadow"],
    ["cross", "fusion", "fused-double"],
    "Circle the wrists, and go on circling while you cross.",
    "Neither wrist pauses.",
    "circles with the arms open",
  ),
  row(["shadow"], ["speed"], "Knee forward and up.", "Thigh level, no heel behind.", "one lift"),
  row(
    ["shadow"],
    ["power"],
    "On the forefoot; sink straight; knees out.",
    "From the side: heels up, trunk upright.",
    "half the depth",
  ),
  row(
    ["shadow"],
    ["swing"],
    "Fists together at the hip.",
    "The shoulders turn, the nose does not.",
    "watch it again",
  ),
  row(
    ["shadow"],
    ["two-feet"],
    "Equal steps; only the waist turns.",
    "The same footprints; face to the front.",
    "a bounce between",
  ),
  row(
    ["shadow"],
    ["footwork", "taps"],
    "Rock wide, then small; the touch comes last.",
    "The touching foot could lift at any moment.",
    "stand on one foot",
  ),
  row(
    ["shadow"],
    null,
    "Turn the wrists; small springs; eyes level.",
    "Elbows at the ribs; the heels only brush.",
    "watch it again",
  ),
  row(
    ["tempo-shadow", "faster", "tens"],
    null,
    "The same shape, only quicker.",
    "The form is alike at each tempo.",
    "slower",
  ),
  row(
    ["air-change"],
    null,
    "The arms finish before the feet land.",
    "From the side: the last position before the soles touch.",
    "standing",
  ),
  row(
    ["free-swing"],
    ["front-back"],
    "Over straight, out straight.",
    "The rope never crosses the body.",
    "without a rope",
  ),
  row(["free-swing"], null, "The tick falls beside the foot.", "The handles touch.", "without a rope"),
  row(
    ["side-rope"],
    ["double", "triple", "quad", "fused-double"],
    "Two ticks a jump, three for a triple.",
    "The ticks are even.",
    "ten percent slower",
  ),
  row(["side-rope"], null, "Up with the tick.", "The feet are off the floor at each tick.", "clap the beat"),
  row(
    ["toe-catch"],
    ["backward"],
    "From the toes over to the heels.",
    "Hands on the hip line.",
    "the open catch",
  ),
  row(
    ["toe-catch"],
    ["front-back", "knees"],
    "See both handles; straight, slow.",
    "Over the head, not round the neck.",
    "without a rope",
  ),
  row(
    ["toe-catch"],
    ["leg-over"],
    "Fold; see the loop.",
    "Wrists level; room for the foot.",
    "without a rope",
  ),
  row(
    ["toe-catch"],
    ["swing-cross"],
    "The far arm stays, the near hand rises over it.",
    "The loop is open, not slanting.",
    "without a rope, large",
  ),
  row(
    ["toe-catch"],
    ["open"],
    "Slow, taut, look down.",
    "Mid-foot; hands level, at the middle.",
    "the swing",
  ),
  row(
    ["toe-catch"],
    null,
    "Below the belt, past both hips.",
    "Wrists level, forearms pressed; there is room.",
    "without a rope",
  ),
  row(
    ["stop-in"],
    ["leg-over"],
    "Close the arms and leave the floor together.",
    "Arms and foot in one instant.",
    "the toe catch",
  ),
  row(
    ["stop-in"],
    ["fused-double", "triple", "quad"],
    "Finish crossed; forget the next turn.",
    "It passed before landing; an ordinary jump.",
    "arms in the air",
  ),
  row(["stop-in"], null, "Jump it, and stay.", "Feet closed; the arms do not lift.", "the toe catch"),
  row(
    ["one-stop"],
    null,
    "Out wide, catch, look.",
    "Hands at the middle; the rope mid-foot.",
    "jump in and stay",
  ),
  row(
    ["one-out"],
    ["letting-go"],
    "Pull, wait.",
    "The handle comes to the height of the face.",
    "without a rope",
  ),
  row(["one-out"], ["turning"], "Hands on the hip line.", "They face the other way.", "without a rope"),
  row(
    ["one-out"],
    ["front-back", "knees"],
    "Name the way out first.",
    "The rear handle shows on landing.",
    "jump in and stay",
  ),
  row(["one-out"], ["power"], "Sink as it passes.", "Heels up.", "without a rope"),
  row(["one-out"], ["swing"], "Open before it comes down.", "No pause in the sound.", "the swing alone"),
  row(
    ["one-out", "apart"],
    ["base", "footwork", "taps", "speed", "ground"],
    "Feet only; the hands follow.",
    "All the weight is on one foot.",
    "without a rope",
  ),
  row(
    ["one-out", "apart"],
    null,
    "Straight into an ordinary bounce.",
    "The next bounce is not late and not higher.",
    "one, then stop",
  ),
  row(["high-part"], ["leg-over"], "Highest; knee or heel may rise.", "The standing foot is clear.", "lower"),
  row(["high-part"], null, "The same bounce, higher.", "Knees straight, on the same spot.", "lower"),
  row(
    ["from-rest"],
    null,
    "Height first, then hands; then still.",
    "The rope lands under the toes.",
    "the part, higher; jump in and stay",
  ),
  row(
    ["spaced"],
    null,
    "Low bounces, one plain strong one.",
    "The bounce after sounds like the one before.",
    "one, then bounce",
  ),
  row(["rounds"], ["power"], "Count aloud.", "No bounce is dropped.", "one, then bounce"),
  row(
    ["rounds"],
    ["fused-double", "triple", "quad"],
    "Say each form.",
    "Equal heights.",
    "more bounces between",
  ),
  row(["rounds"], null, "Two, two, pressed.", "The second cross still turns.", "one, then stop"),
  row(
    ["climb", "growing-climb", "streak", "hold", "count"],
    null,
    "Each a copy of the last.",
    "The ticks are alike; lost form ends a hold.",
    "the rung below",
  ),
  row(["side-to-side"], null, "In, out, other side.", "The lower hand moves first.", "the swing alone"),
  row(
    ["new-step"],
    null,
    "The feet go on, the arms join.",
    "The step is unbroken at the cross.",
    "in a row, in place",
  ),
  row(
    ["merge"],
    ["triple", "quad"],
    "Two jumps as they will be.",
    "The arms are done each time.",
    "a part alone",
  ),
  row(["merge"], null, "No bounce between.", "The touch bears nothing.", "a part alone"),
  row(["link"], null, "The rope runs on.", "The ticks keep their gap.", "a bounce or two between"),
  row(["other-side"], null, "The same words, slower.", "It sounds like the first side.", "the toe catch"),
  row(
    ["part-counts"],
    null,
    "All these, then the hard one.",
    "Missed in three goes: no try today.",
    "the part’s own ladder",
  ),
  row(["whole"], null, "High, and all of it.", "Begun without holding back.", "two become one"),
];

/** What a score says of itself, the more particular first. */
function groupsOfScore(score: Score): readonly Group[] {
  const arms = skillArms(score);
  const beats = expandBeats(score);
  const some = (...wanted: readonly string[]) => arms.some((one) => wanted.includes(one));
  const found: (Group | false)[] = [
    some("hl", "hr") && "letting-go",
    beats.some(({ gestures }) => gestures.some((gesture) => gesture.startsWith("turn"))) && "turning",
    score.direction === "backward" && "backward",
    some("k") && "knees",
    some("bl", "br", "el", "er") && "front-back",
    some("ul", "ur") && "leg-over",
    some("sl", "sr") && some("x", "xl", "xr") && "swing-cross",
    arms.every((one) => one === "o") && "open",
    beats.every(({ landing }) => landing === null || landing === "b") && "two-feet",
  ];
  return found.filter((one) => one !== false);
}

function groupsOf({ skillClass, score: whole }: Skill, drill: Drill): ReadonlySet<Group> {
  const parsed = drill.score === undefined ? null : parseScore(drill.score);
  const score = parsed?.ok === true ? parsed.score : whole;
  return new Set([...(score === null ? [] : groupsOfScore(score)), skillClass]);
}

const OF_THE_ROPE: ReadonlySet<DrillKind> = new Set(["apart", "one-stop", "from-rest"]);

/** What to say and look at in a drill of a skill: in the studio's own words, where it has some. */
export function coachingOf(skill: Skill, drill: Drill): Coaching {
  const groups = groupsOf(skill, drill);
  const found = ROWS.find(
    (one) =>
      one.kinds.includes(drill.kind) &&
      (one.groups === undefined || one.groups.some((group) => groups.has(group))),
  );
  const [cue = ""] = skill.cues;
  const plain = { say: cue, look: skill.look, back: found?.back ?? "" };
  // What has no score has no rope to stop or to turn apart: there it is the trick itself that is said.
  const isOfRope = skill.score === null && OF_THE_ROPE.has(drill.kind);
  const usual = found === undefined || (isOfRope && skill.look !== "") ? plain : found;
  const own = skill.drills.find(({ kind }) => kind === drill.kind);
  return { ...usual, say: own?.say ?? usual.say, look: own?.look ?? usual.look };
}
