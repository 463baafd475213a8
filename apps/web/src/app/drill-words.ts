/** A drill in words: what is done, how much, of what, and how likely it comes off. */
import { DRILLS } from "@mirrup/catalogue";
import {
  GATE_RUNG,
  drillKey,
  missCount,
  parseDrill,
  parseScore,
  readScore,
  type CountedBy,
  type Drill,
  type LoggedDrill,
  type LoggedSet,
  type SideName,
} from "@mirrup/core";
import { evidenceOf } from "@mirrup/core/teaching";
import { counted } from "./plural.js";
import { syllabus } from "./syllabus.js";
import { capital, listWords, subjectName } from "./words.js";

/** How many bounces stand between two tries: `4 bounces between`, `no bounce between`. */
export function spacingWords(spacing: number): string {
  return spacing === 0 ? "no bounce between" : `${counted(spacing, "bounce")} between`;
}

function triesWords(count: number): string {
  return counted(count, "try", "tries");
}

/** What is done and how much of it: `one, then bounce, 5 tries`. */
export function drillWords(drill: Drill): string {
  const { name } = DRILLS[drill.kind];
  switch (drill.kind) {
    case "climb":
    case "growing-climb":
      return `${name} to ${drill.top}`;
    case "streak":
      return drill.upTo === undefined
        ? `${drill.count} in a row`
        : `${drill.count} in a row, then on until a miss`;
    case "hold":
      return `keep going for ${drill.seconds} s`;
    case "count":
      return `${drill.count} in ${drill.seconds} s`;
    case "rounds":
    case "tens":
    case "side-to-side":
      return `${name}, ${counted(drill.rounds, "round")}`;
    case "spaced":
      return `${spacingWords(drill.spacing)}, ${triesWords(drill.count)}`;
    case "link":
      return `${name}, ${spacingWords(drill.spacing)}`;
    case "part-counts":
      return `${name}, ${counted(drill.count, "go", "goes")}`;
    case "faster":
    case "tempo-shadow":
      return `${name} (${Math.round(100 * drill.tempoShare)}% of its tempo), ${triesWords(drill.count)}`;
    default: {
      const attends = "about" in drill ? drill.about : undefined;
      const about = attends === undefined ? "" : ` (${attends})`;
      return `${name}${about}, ${triesWords(drill.count)}`;
    }
  }
}

/** A drill out of a log, as far as it can be read. */
export function loggedDrillWords(written: LoggedDrill): string {
  const drill = parseDrill(written);
  return drill === null ? `a drill of another version (${written.kind})` : drillWords(drill);
}

/** What was counted in a set: `8 clean, 2 missed, best 5 in a row`. */
export function countsWords({
  clean,
  misses,
  bestStreak,
}: Pick<LoggedSet, "clean" | "misses" | "bestStreak">): string {
  const missed = missCount(misses);
  const parts = [
    `${clean} clean`,
    ...(missed > 0 ? [`${missed} missed`] : []),
    ...(missed > 0 && bestStreak > 1 ? [`best ${bestStreak} in a row`] : []),
  ];
  return parts.join(", ");
}

/** The part that a drill of a skill is about: `side swing, right side`; null where it is about the skill. */
export function partName(subject: string, side: SideName, drill: Drill): string | null {
  const of = syllabus().find(subject, side);
  const key = drillKey(drill);
  const rung = of?.ladder.find((one) => one.isPart && drillKey(one.drill) === key);
  if (rung === undefined || rung.about.length === 0) return null;
  return listWords(rung.about.map((one) => subjectName(one.subject, one.side)));
}

/** A drill with the part that it is about: `count of a part, 3 goes: side swing, right side`. */
export function drillOfWords(subject: string, side: SideName, drill: Drill): string {
  const part = partName(subject, side, drill);
  return part === null ? drillWords(drill) : `${drillWords(drill)}: ${part}`;
}

/** What is jumped in one try, in words; null where the drill has no rope, or is the skill itself. */
export function patternWords({ score }: Pick<Drill, "score">): string | null {
  const parsed = score === undefined ? null : parseScore(score);
  return parsed?.ok === true ? capital(readScore(parsed.score).join("; ")) : null;
}

/** The drills of a ladder in words, with the pattern of each that would else be called like another. */
export function ladderWords(
  subject: string,
  side: SideName,
  rungs: readonly { readonly id: string; readonly drill: Drill }[],
): readonly { readonly name: string; readonly pattern: string | null }[] {
  const names = rungs.map(({ id, drill }) => {
    const words = drillOfWords(subject, side, drill);
    return id === GATE_RUNG ? `the gate: ${words}` : words;
  });
  return rungs.map(({ drill }, place) => {
    const name = names[place] ?? "";
    const isAlone = names.indexOf(name) === names.lastIndexOf(name);
    return { name, pattern: isAlone ? null : patternWords(drill) };
  });
}

/** How likely it comes off, as one says it: `7 in 10`. */
export function oddsWords(chance: number): string {
  const tenths = Math.round(10 * chance);
  if (tenths === 0) return "less than 1 in 10";
  return tenths === 10 ? "nearly always" : `${tenths} in 10`;
}

/** A drill with its odds: `3 in a row: 7 in 10`. */
export function drillOddsWords(drill: Drill, chance: number): string {
  return `${drillWords(drill)}: ${oddsWords(chance)}`;
}

/** What a set is evidence for, in one sentence. */
export function evidenceWords(
  set: Pick<LoggedSet, "drill" | "subject" | "side"> & { readonly countedBy?: CountedBy },
): string {
  if (set.countedBy === "student")
    return "Counted alone: a hint of the chance, and in full once an instructor accepts it.";
  const name = subjectName(set.subject, set.side);
  const bearings = evidenceOf(set, syllabus());
  if (bearings.length === 0)
    return "Kept as it was sent. This version cannot read the drill, so it counts for nothing.";
  const held = bearings.filter((one) => one.holds).map((one) => one.of);
  const isOwn = held.some((one) => one.subject === set.subject);
  const names = listWords(held.map((one) => subjectName(one.subject, one.side)));
  if (isOwn) return `Counts for the ${names}.`;
  return held.length > 0
    ? `Counts for the ${names}; the ${name} comes with the whole one.`
    : `A rung on the way: the ${name} itself comes with the whole one.`;
}
