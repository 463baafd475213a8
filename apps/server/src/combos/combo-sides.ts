/** Whether a line of the log names a combo that there is, on a side that it has. */
import { comboSubject, type SideName } from "@mirrup/core";
import { sidesOfScore, type ComboPart } from "@mirrup/core/combos";
import { In } from "typeorm";
import type { Scope } from "../database/scope.js";
import { ComboEntity } from "./combo.entity.js";

/** The parts of the combos that some subjects are about, by the combo's id; one query, or none. */
export async function combosNamed(
  scope: Scope,
  subjects: readonly string[],
): Promise<ReadonlyMap<string, readonly ComboPart[]>> {
  const ids = [...new Set(subjects.flatMap((subject) => comboSubject(subject)?.id ?? []))];
  if (ids.length === 0) return new Map();
  const found = await scope.manager.findBy(ComboEntity, { studioId: scope.studio.id, id: In(ids) });
  return new Map(found.map((combo) => [combo.id, combo.parts]));
}

export interface SubjectFault {
  readonly field: "subject" | "side";
  readonly code: string;
  readonly message: string;
}

/** What is wrong with a subject of a combo; null for nothing. */
export function comboSubjectFault(
  subject: string,
  side: SideName,
  combos: ReadonlyMap<string, readonly ComboPart[]>,
): SubjectFault | null {
  const about = comboSubject(subject);
  const parts = about === null ? undefined : combos.get(about.id);
  if (about === null || parts === undefined || (about.link !== null && about.link >= parts.length)) {
    const message = "There is no such combo in the studio, or it has no such link.";
    return { field: "subject", code: "unknown-subject", message };
  }
  const sides = sidesOfScore(parts);
  if (sides.includes(side)) return null;
  const message = `This combo is practised ${sides.map((one) => `"${one}"`).join(" or ")}, not "${side}".`;
  return { field: "side", code: "side-not-of-skill", message };
}
