import type { ComboView, StudentView } from "@mirrup/contract";
import { comboSubject, sideKey, type SideName } from "@mirrup/core";
import { learningChances, learningOf, linksOf, onSide } from "@mirrup/core/combos";
import { useQuery } from "@tanstack/react-query";
import { standingsQuery, useJumper } from "../students/index.js";
import { comboSetsQuery, comboStandingsQuery } from "./queries.js";
import { STEPS } from "./steps.js";
import { partName, type ComboNames } from "./words.js";

interface Asked {
  readonly combo: Pick<ComboView, "id" | "parts">;
  /** Undefined for nobody: the ladder alone. */
  readonly student: Pick<StudentView, "id" | "dominantHand"> | undefined;
  readonly side: SideName;
  readonly tempo: number;
  readonly names: ComboNames;
}

/** A combo's ladder as a student stands on it: its steps, the chance of each, and the names of its links. */
export function useLearning({ combo, student, side, tempo, names }: Asked) {
  const isAsked = student !== undefined;
  const id = student?.id ?? "";
  const jumper = useJumper(student);
  const standings = useQuery({ ...standingsQuery(id), enabled: isAsked });
  const combos = useQuery({ ...comboStandingsQuery(id), enabled: isAsked });
  const sets = useQuery({ ...comboSetsQuery(id, combo.id), enabled: isAsked });
  const record = (sets.data ?? []).map((set) => ({ ...set, at: Date.parse(set.at) }));
  const options = { id: combo.id, side, tempo, ...jumper, steps: STEPS };
  const parts = onSide(combo.parts, side);
  const links = linksOf(parts, options);
  const learning = learningOf(combo.parts, options, record);
  const bySide = new Map(
    (standings.data ?? []).map((one) => [sideKey(one.subject, one.side), one.cleanChance]),
  );
  const chanceOf = (subject: string, of: SideName): number | undefined => {
    const about = comboSubject(subject);
    if (about === null) return bySide.get(sideKey(subject, of));
    return combos.data?.find((one) => one.comboId === about.id && one.side === of)?.cleanChance;
  };
  return {
    learning,
    links,
    linkNames: new Map(
      links.map((link) => [link.place, `${partName(link.from, names)} → ${partName(link.to, names)}`]),
    ),
    /** By step; empty while the student's standings are not known. */
    chances:
      standings.data === undefined
        ? new Map<string, number>()
        : learningChances(learning.steps, { parts, links, sets: record, chanceOf }),
    standings: combos,
    sets,
    /** The last note to a set of it; empty for none. */
    noted: (sets.data ?? []).find((set) => set.note !== "") ?? null,
  };
}
