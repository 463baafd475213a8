/** A class's table worked out from its codes: who stands where, and in what order it is shown. */
import type { GridView } from "@mirrup/contract";
import { byName, sideNamed, skillOf, type Catalogue, type SideName } from "@mirrup/core";
import { decodeStatuses, isMet, type CodedStatus, type Status } from "@mirrup/core/teaching";

export interface GridSide {
  readonly subject: string;
  readonly side: SideName;
  readonly coded: CodedStatus;
}

export interface GridStudent {
  readonly id: string;
  readonly name: string;
  /** Sides met: cleared, rusty or taken as known. */
  readonly known: number;
  readonly sides: readonly GridSide[];
  readonly bySkill: ReadonlyMap<string, readonly GridSide[]>;
}

export interface GridColumn {
  readonly subject: string;
  /** Students who know it on every side, and those for whom a side is ready or being worked on. */
  readonly known: number;
  readonly open: number;
}

export interface Grid {
  readonly students: readonly GridStudent[];
  readonly columns: readonly GridColumn[];
}

export const ORDERS = ["shape", "strand"] as const;
export type GridOrder = (typeof ORDERS)[number];

const isOpen = (status: Status) => status === "ready" || status === "working";

function studentOf({ id, name, codes }: GridView["students"][number], keys: GridView["sides"]): GridStudent {
  const decoded = decodeStatuses(codes);
  const bySkill = new Map<string, GridSide[]>();
  const sides = keys.flatMap((key, place): GridSide[] => {
    const coded = decoded[place];
    const named = sideNamed(key);
    if (coded === undefined || named === null) return [];
    const one = { ...named, coded };
    bySkill.set(one.subject, [...(bySkill.get(one.subject) ?? []), one]);
    return [one];
  });
  const known = sides.filter((one) => isMet(one.coded.status)).length;
  return { id, name, known, sides, bySkill };
}

/**
 * By its shape, whoever knows most comes first and so does what most know, so that the edge of what
 * the class can do runs across the table; by strand, the skills keep the map's order.
 */
export function gridOf(view: GridView, catalogue: Catalogue, order: GridOrder): Grid {
  const students = view.students
    .map((student) => studentOf(student, view.sides))
    .sort((one, other) => other.known - one.known || byName(one.name, other.name));
  const columns = catalogue.strands
    .flatMap((strand) => strand.skills)
    .map((subject): GridColumn => {
      const has = (test: (sides: readonly GridSide[]) => boolean) =>
        students.filter((student) => test(student.bySkill.get(subject) ?? [])).length;
      return {
        subject,
        known: has((sides) => sides.every((one) => isMet(one.coded.status))),
        open: has((sides) => sides.some((one) => isOpen(one.coded.status))),
      };
    });
  if (order === "strand") return { students, columns };
  const level = (subject: string) => skillOf(catalogue, subject).level;
  const sorted = [...columns].sort(
    (one, other) =>
      other.known - one.known || other.open - one.open || level(one.subject) - level(other.subject),
  );
  return { students, columns: sorted };
}
