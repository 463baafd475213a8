/** What was planned of each block of a session, and what was done, in words. */
import { isEasyPhase } from "@mirrup/core/planning";
import { counted } from "../app/plural.js";
import { drillOfWords } from "../app/drill-words.js";
import type { Led, LedBlock } from "./led.js";

const minutesWords = (seconds: number) => (seconds < 60 ? `${seconds} s` : `${Math.round(seconds / 60)} min`);

export interface HeldRow {
  readonly key: string;
  readonly name: string;
  readonly planned: string;
  readonly done: string;
  readonly state: "past" | "here" | "ahead";
}

/** What was planned of each block, and what was done. */
export function heldRows(led: Led): readonly HeldRow[] {
  const rowOf = (block: LedBlock): Omit<HeldRow, "done" | "state"> => {
    const { key, name, subject, side, drill, sets, minutes, comboId } = block;
    const what = comboId === null ? `${drillOfWords(subject, side, drill)}, ` : "";
    return {
      ...{ key, name },
      planned: !isEasyPhase(block.phase)
        ? `${what}${counted(sets, "set")}, ${minutes} min`
        : `${minutes} min`,
    };
  };
  const setsWords = (sets: Led["now"]["sets"]) => {
    const clean = sets.reduce((sum, set) => sum + set.clean, 0);
    const tries = sets.reduce((sum, set) => sum + set.tries, 0);
    return sets.length === 0 ? null : `${counted(sets.length, "set")}, ${clean} clean of ${tries}`;
  };
  const said = (words: readonly (string | null)[]) => words.filter((one) => one !== null).join(", ");
  return [
    ...led.past.map(({ block, end, seconds, sets }) => ({
      ...rowOf(block),
      state: "past" as const,
      done:
        end === "skipped" && sets.length === 0 ? "skipped" : said([setsWords(sets), minutesWords(seconds)]),
    })),
    ...led.ahead.map((block, place) => ({
      ...rowOf(block),
      state: place === 0 ? ("here" as const) : ("ahead" as const),
      done: place === 0 ? said([setsWords(led.now.sets) ?? "under way"]) : "",
    })),
  ];
}
