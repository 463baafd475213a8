/** What a figure shows, in words. */
import { armsWords, type Score } from "@mirrup/core";
import { type KeyMoment, showingOf, type ViewName, worstPass, type Motion } from "@mirrup/core/figure";

export const VIEW_NAMES: Readonly<Record<ViewName, string>> = {
  front: "Front",
  side: "Side",
  behind: "Behind",
  above: "Above",
};

/** What each view shows best (drills.md, Teaching judgement). */
export const VIEW_SHOWS: Readonly<Record<ViewName, string>> = {
  front: "handles past the hips, wrists level, which arm is on top, feet closed",
  side: "height, trunk and knees, arms there before the rope, standing heel",
  behind: "the hidden hand past the far hip, the rope's plane",
  above: "which way the body turns, where the hands are around it",
};

/** `Hands there: cross with the right arm on top`. */
export function momentWords({ kind, arms }: Pick<KeyMoment, "kind" | "arms">): string {
  switch (kind) {
    case "take-off":
      return "Take-off";
    case "hands":
      return `Hands there: ${armsWords(arms)}`;
    case "under":
      return `Rope under the feet: ${armsWords(arms)}`;
    case "beside":
      return `Rope beside the body: ${armsWords(arms)}`;
    case "stopped":
      return `Rope stopped under the toes: ${armsWords(arms)}`;
    case "landing":
      return "Landing";
  }
}

/** Arms behind the body are seen from behind, those before it from the front, and feet and height from the side. */
export function bestView(score: Score): ViewName {
  const { motion } = showingOf(score);
  const routes = new Set(motion.beats.flatMap(({ turns }) => turns.map(({ arms }) => arms)));
  if ([...routes].every((arms) => arms === "o")) {
    const hasGesture = motion.beats.some(({ beat, landing }) => beat.gestures.length > 0 || landing !== "b");
    return hasGesture ? "front" : "side";
  }
  return "front";
}

const centimetres = (metres: number) => Math.round(metres * 100);

/** What is to be said of how the rope passes; null where it passes as it should. */
export function ropeWords(motion: Motion): string | null {
  const worst = worstPass(motion);
  if (worst === undefined || worst.under >= 0) return null;
  const by = centimetres(-worst.under);
  return `The rope does not come under the feet: it hangs ${String(Math.max(1, by))} cm above the soles. It is too short for this; measure it by the student's record, or give another length.`;
}

/** A file's name from what it shows. */
export function fileName(name: string, ending: string): string {
  const plain = name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-|-$/g, "");
  return `${plain.slice(0, 60) || "figure"}.${ending}`;
}
