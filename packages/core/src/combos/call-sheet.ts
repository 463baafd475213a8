/** A combo for a judge or a partner: a line a count, in plain words, with its forms named. */
import { beatWords } from "../rope/reading.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { ComboPart } from "./part.js";
import { judgeCombo } from "./judge.js";

/** The counts of a group, as they are counted aloud. */
export const COUNTS_A_GROUP = 8;

export interface CalledForm {
  readonly subject: string;
  /** Turns before it: `standing` at the start, else singles or doubles. */
  readonly preparedBy: "standing" | "singles" | "doubles";
  /** Whether who judges accepts the form. */
  readonly isAccepted: boolean;
}

export interface CallLine {
  /** From 1, through the whole combo. */
  readonly count: number;
  /** Which group of eight, from 1, and which count of it. */
  readonly group: number;
  readonly inGroup: number;
  readonly words: string;
  /** The skill or combo that begins here; null within one, and for turns that are neither. */
  readonly begins: string | null;
  /** A fused form that must be agreed on before. */
  readonly form: CalledForm | null;
}

export interface Forms {
  /** Skills that are forms of which events list what they accept. */
  readonly isForm: (subject: string) => boolean;
  readonly isAccepted: (subject: string) => boolean;
}

function preparedBy(score: Score, beat: number): CalledForm["preparedBy"] {
  const before = expandBeats(score)[beat - 1];
  if (before === undefined || before.turns.length === 0) return "standing";
  return before.turns.length > 1 ? "doubles" : "singles";
}

/** The lines of a combo, in order; none for no parts. */
export function callSheet(parts: readonly ComboPart[], forms: Forms): readonly CallLine[] {
  const { score, parts: judged } = judgeCombo(parts);
  if (score === null) return [];
  const starts = new Map<number, string>();
  judged.forEach(({ from, beats }, place) => {
    const part = parts[place];
    if (part?.subject == null) return;
    for (let time = 0; time < part.times; time += 1)
      starts.set(from + (time * beats) / part.times, part.subject);
  });
  return expandBeats(score).map((beat, place): CallLine => {
    const begins = starts.get(place) ?? null;
    const form =
      begins !== null && forms.isForm(begins)
        ? { subject: begins, preparedBy: preparedBy(score, place), isAccepted: forms.isAccepted(begins) }
        : null;
    return {
      count: place + 1,
      group: Math.floor(place / COUNTS_A_GROUP) + 1,
      inGroup: (place % COUNTS_A_GROUP) + 1,
      words: beatWords(beat),
      begins,
      form,
    };
  });
}
