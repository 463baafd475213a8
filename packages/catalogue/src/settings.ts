import type { Manner, SkillClass } from "@mirrup/core";
import type { FusedFirst } from "@mirrup/core/teaching";

/**
 * What instructors really disagree about beside the school (teaching.md, Gates): each a choice with a
 * default and a reason that is shown. A cue that comes with a choice is said of the skills named.
 */
export interface TeachingOption {
  readonly id: string;
  readonly name: string;
  readonly reason: string;
  /** What to say, where this choice is made, of these skills. */
  readonly cue?: { readonly skills: readonly string[]; readonly say: string };
}

export interface TeachingSetting {
  readonly id: string;
  readonly name: string;
  /** The first is the default. */
  readonly options: readonly [TeachingOption, ...TeachingOption[]];
}

const CROSSES = ["cross", "held-cross", "switch-cross", "backward-cross"];
const DOUBLES = ["double-under", "triple-under"];
/** The forms of fused double, of which a studio says which it counts. */
export const FUSED_FORMS: readonly string[] = ["open-cross-double", "cross-open-double", "held-cross-double"];

export const SETTINGS: readonly TeachingSetting[] = [
  {
    id: "sides",
    name: "Order of the sides",
    options: [
      {
        id: "stronger-first",
        name: "stronger side first",
        reason: "The stronger side shows the weaker one how it goes; it leads until its gate.",
      },
      {
        id: "alternate",
        name: "both sides in turn",
        reason: "Neither side falls behind, and habits of one side do not set.",
      },
    ],
  },
  {
    id: "fused-first",
    name: "Which fused double first",
    options: [
      {
        id: "own-record",
        name: "by the student's own record",
        reason: "Open-cross where the doubles are the stronger part, cross-open where the fast cross is.",
      },
      { id: "open-cross", name: "open-cross", reason: "The hands change late, when the rope has gone by." },
      { id: "cross-open", name: "cross-open", reason: "The hard part comes first, while the rope is slow." },
    ],
  },
  {
    id: "hard-skill",
    name: "When to try the new, hard skill",
    options: [
      { id: "late", name: "after the main work", reason: "Misses cost nothing any more." },
      { id: "early", name: "early, while fresh", reason: "A hard skill needs springs that are not tired." },
    ],
  },
  {
    id: "double-wrist",
    name: "Wrist in the double",
    options: [
      {
        id: "one-throw",
        name: "one strong throw",
        reason: "One impulse carries the rope round twice, and the hands stay quiet.",
        cue: { skills: DOUBLES, say: "One strong throw, and let it carry both turns." },
      },
      {
        id: "two-flicks",
        name: "two quick flicks",
        reason: "Each turn has its own impulse, so neither dies.",
        cue: { skills: DOUBLES, say: "Two quick flicks of the wrist, one for each turn." },
      },
    ],
  },
  {
    id: "double-height",
    name: "Double: height or wrist",
    options: [
      {
        id: "wrist",
        name: "a modest jump and a quick wrist",
        reason: "It costs less and repeats longer.",
        cue: { skills: DOUBLES, say: "Jump only a little higher; the wrist is what gets quicker." },
      },
      {
        id: "height",
        name: "a high jump and a calm rope",
        reason: "There is time for the rope, and form holds.",
        cue: { skills: DOUBLES, say: "Jump high and leave the rope its time." },
      },
    ],
  },
  {
    id: "cross-room",
    name: "Room in the cross",
    options: [
      {
        id: "fold",
        name: "fold at the hips",
        reason: "Nearly straight legs keep the jump light; the fold makes the loop longer.",
        cue: { skills: CROSSES, say: "Fold a little at the hips, legs nearly straight." },
      },
      {
        id: "jump",
        name: "jump higher, heels drawn up",
        reason: "The trunk stays tall, and the room comes from below.",
        cue: { skills: CROSSES, say: "Stay tall, jump higher, draw the heels up." },
      },
    ],
  },
  {
    id: "cross-wrists",
    name: "Wrists in the cross",
    options: [
      {
        id: "level",
        name: "level",
        reason: "A level handle keeps the loop straight.",
        cue: { skills: CROSSES, say: "Wrists level." },
      },
      {
        id: "down",
        name: "handles outward and down",
        reason: "The rope clears the knees earlier.",
        cue: { skills: CROSSES, say: "Point the handles outward and down." },
      },
      {
        id: "thumbs",
        name: "thumbs turned rearward",
        reason: "Turned like that, the handles reach further past the hips.",
        cue: { skills: CROSSES, say: "Turn the wrists until the thumbs feel rearward." },
      },
    ],
  },
  {
    id: "hands-forward",
    name: "Hands, turning forward",
    options: [
      {
        id: "front",
        name: "slightly in front",
        reason: "Hands that are seen stay low.",
        cue: { skills: ["basic-bounce"], say: "Hands slightly in front of the hips." },
      },
      {
        id: "crease",
        name: "at the hip crease",
        reason: "The loop is longest there.",
        cue: { skills: ["basic-bounce"], say: "Hands at the crease of the hip." },
      },
      {
        id: "pockets",
        name: "at the pockets, elbows behind",
        reason: "The shoulders stay open.",
        cue: { skills: ["basic-bounce"], say: "Hands at the pockets, elbows behind you." },
      },
    ],
  },
  {
    id: "fused-start",
    name: "First fused double",
    options: [
      {
        id: "standing",
        name: "from standing",
        reason: "Nothing before it, so nothing hurries it.",
        cue: { skills: FUSED_FORMS, say: "From standing: settle, then one." },
      },
      {
        id: "rhythm",
        name: "out of a rhythm",
        reason: "Doubles or bounces before it give the rope its speed.",
        cue: { skills: FUSED_FORMS, say: "Out of an even rhythm of doubles or bounces." },
      },
    ],
  },
  {
    id: "fused-rope",
    name: "Rope for fused doubles",
    options: [
      { id: "accustomed", name: "the accustomed one", reason: "One new thing at a time." },
      { id: "heavy", name: "heavy", reason: "Its weight carries the second turn." },
      { id: "thin", name: "thin", reason: "It is quick round." },
    ],
  },
  {
    id: "swing-cross-feet",
    name: "Feet in the side swing cross",
    options: [
      { id: "both", name: "both feet", reason: "The usual landing carries over." },
      {
        id: "hop",
        name: "a hop on the swing's side",
        reason: "One leg leaves the rope more room.",
        cue: { skills: ["side-swing-cross"], say: "Hop on the foot of the swing's side." },
      },
    ],
  },
  {
    id: "rope-line",
    name: "Rope length by",
    options: [
      { id: "armpit", name: "the armpit", reason: "A longer loop forgives more." },
      { id: "chest", name: "the chest", reason: "A shorter loop turns faster and asks for clean hands." },
    ],
  },
  {
    id: "fused-forms",
    name: "Which fused double counts",
    options: [
      {
        id: "both",
        name: "open-cross and cross-open",
        reason: "Both change the arms in the air; the held cross does not, and is trained for itself.",
      },
      { id: "open-cross", name: "open-cross only", reason: "The form that most people mean." },
      { id: "cross-open", name: "cross-open only", reason: "The form with the rope closed first." },
      { id: "all", name: "all three, held-cross too", reason: "Any two turns with a cross among them." },
    ],
  },
  {
    id: "fused-prepare",
    name: "Turns before a fused double",
    options: [
      { id: "singles", name: "singles", reason: "Nothing tires before the jump that counts." },
      { id: "doubles", name: "doubles", reason: "The rope has its speed already." },
    ],
  },
  {
    id: "growing-runs",
    name: "A gate of over 30 multiples, while growing",
    options: [
      {
        id: "add-up",
        name: "runs of ten add up",
        reason: "Runs of ten and more of one lesson come to the gate, and the legs rest between them.",
      },
      { id: "one-run", name: "one run", reason: "Only what is done without a stop shows the endurance." },
    ],
  },
  {
    id: "week-start",
    name: "The week starts on",
    options: [
      { id: "1", name: "Monday", reason: "Landings are summed from Monday." },
      { id: "7", name: "Sunday", reason: "Landings are summed from Sunday." },
      { id: "6", name: "Saturday", reason: "Landings are summed from Saturday." },
    ],
  },
  {
    id: "units",
    name: "Lengths in",
    options: [
      { id: "cm", name: "centimetres", reason: "As most ropes are sold." },
      { id: "in", name: "inches", reason: "Where people measure in feet and inches." },
    ],
  },
];

export type SettingValues = Readonly<Record<string, string>>;

/** The option in force: the first of `chosen` that names one (a student's before the studio's), else the default. */
export function optionOf(setting: TeachingSetting, ...chosen: readonly SettingValues[]): TeachingOption {
  const id = chosen.map((values) => values[setting.id]).find((value) => value !== undefined);
  return setting.options.find((option) => option.id === id) ?? setting.options[0];
}

/** The id of the option in force of the setting with this id. Throws a `RangeError` for an unknown setting. */
export function settingValue(id: string, ...chosen: readonly SettingValues[]): string {
  const setting = SETTINGS.find((one) => one.id === id);
  if (setting === undefined) throw new RangeError(`"${id}" is not a setting.`);
  return optionOf(setting, ...chosen).id;
}

/** Whether a skill counts under a value of the setting `fused-forms`; all that are no form of it do. */
export function isFormCounted(subject: string, accepted: string): boolean {
  if (accepted === "all" || !FUSED_FORMS.includes(subject)) return true;
  return accepted === "both" ? subject !== "held-cross-double" : subject === `${accepted}-double`;
}

/** How what can be done in several ways is done, from the settings in force and the student's home step. */
export function mannerOf(homeStep: string | null, ...chosen: readonly SettingValues[]): Manner {
  return {
    forms: settingValue("swing-cross-feet", ...chosen) === "hop" ? ["hop"] : [],
    fusedStart: settingValue("fused-start", ...chosen) === "rhythm" ? "rhythm" : "standing",
    prepare: settingValue("fused-prepare", ...chosen) === "doubles" ? "doubles" : "singles",
    homeStep,
  };
}

/** Whether a growing jumper's runs add up to a long gate of multiples. */
export function addsRuns(...chosen: readonly SettingValues[]): boolean {
  return settingValue("growing-runs", ...chosen) === "add-up";
}

/** Which fused double is taught first. */
export function fusedFirstOf(...chosen: readonly SettingValues[]): FusedFirst {
  switch (settingValue("fused-first", ...chosen)) {
    case "open-cross":
      return "from-double";
    case "cross-open":
      return "from-cross";
    default:
      return "own-record";
  }
}

/** Turns a minute that a double's rope is jumped at, at the most: the lower, the higher the jump (drills.md, Height wanted). */
const TURN_RATES: Readonly<Record<string, number>> = { wrist: 240, height: 190 };

export function turnRateOf(...chosen: readonly SettingValues[]): number {
  return TURN_RATES[settingValue("double-height", ...chosen)] ?? 240;
}

/** The rope that a fused double is trained with, in words; null for the accustomed one, which says nothing. */
export function fusedRopeOf(skillClass: SkillClass, ...chosen: readonly SettingValues[]): string | null {
  if (skillClass !== "fused-double") return null;
  const rope = settingValue("fused-rope", ...chosen);
  return rope === "accustomed" ? null : rope;
}
