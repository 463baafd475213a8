import type { GridView } from "@mirrup/contract";
import { sideKey, sideNamed, type Arms } from "@mirrup/core";
import { clearedFrontBacks, type SideStatus } from "@mirrup/core/combos";
import { decodeStatuses, type Status } from "@mirrup/core/teaching";
import { catalogue } from "../app/catalogue.js";

/** A student, as combos ask: every side's status. */
export interface ComboStudent {
  readonly id: string;
  readonly name: string;
  readonly sides: readonly SideStatus[];
  readonly statusOf: (subject: string, side: SideStatus["side"]) => Status | undefined;
  /** Front-back crosses that may be entered straight from a side swing. */
  readonly sideways: ReadonlySet<Arms>;
}

/** Everybody of a class's reading. */
export function comboStudents({ sides: keys, students }: GridView): readonly ComboStudent[] {
  const named = keys.map((key) => sideNamed(key) ?? { subject: key, side: "whole" as const });
  return students.map(({ id, name, codes }): ComboStudent => {
    const statuses = decodeStatuses(codes);
    const sides = named.map((key, place) => ({
      ...key,
      status: statuses[place]?.status ?? ("locked" as const),
    }));
    const byKey = new Map(sides.map((one) => [sideKey(one.subject, one.side), one.status]));
    return {
      id,
      name,
      sides,
      statusOf: (subject, side) => byKey.get(sideKey(subject, side)),
      sideways: clearedFrontBacks(catalogue(), sides),
    };
  });
}
