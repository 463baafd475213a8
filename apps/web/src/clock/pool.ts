/** What a clock may call: what one student, or everybody of a class, has cleared. */
import type { GridView, StandingItem } from "@mirrup/contract";
import { sideKey, sideNamed, sideScore, skillOf, type Score, type SideName } from "@mirrup/core";
import type { ClockPiece } from "@mirrup/core/combos";
import { decodeStatuses, isMet } from "@mirrup/core/teaching";
import { catalogue } from "../app/catalogue.js";
import { subjectName } from "../app/words.js";

export interface PoolMove {
  /** Of its side, as `cross:left`. */
  readonly key: string;
  readonly name: string;
  readonly score: Score;
}

/** A kept combo, and what is called at each of its parts. */
export interface ClockCombo extends Pick<ClockPiece, "parts" | "names"> {
  readonly id: string;
  readonly name: string;
}

function moveOf(subject: string, side: SideName): readonly PoolMove[] {
  const score = sideScore(skillOf(catalogue(), subject), side);
  // What has no score nobody can call in counts.
  return score === null ? [] : [{ key: sideKey(subject, side), name: subjectName(subject, side), score }];
}

export function poolOfStudent(standings: readonly StandingItem[]): readonly PoolMove[] {
  return standings.filter((one) => isMet(one.status)).flatMap(({ subject, side }) => moveOf(subject, side));
}

/** What all of a class have cleared; nothing where nobody is in it. */
export function poolOfClass({ sides, students }: GridView): readonly PoolMove[] {
  const all = students.map((student) => decodeStatuses(student.codes));
  if (all.length === 0) return [];
  return sides.flatMap((key, place) => {
    if (!all.every((statuses) => isMet(statuses[place]?.status ?? "locked"))) return [];
    const named = sideNamed(key);
    return named === null ? [] : moveOf(named.subject, named.side);
  });
}
