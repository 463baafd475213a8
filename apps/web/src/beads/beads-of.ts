import type { GridView } from "@mirrup/contract";
import { sideNamed, type SideName } from "@mirrup/core";
import { decodeStatuses, type CodedStatus } from "@mirrup/core/teaching";
import { codedBead, type BeadState } from "./bead-state.js";

/** Where a student stands in a skill; null for whom or what the reading does not have. The same state each time. */
export type BeadOf = (studentId: string, subject: string) => BeadState | null;

/** What a later build's codes say is not known here, and no reason for a hall to stand still. */
function statusesOf(codes: string): readonly CodedStatus[] {
  try {
    return decodeStatuses(codes);
  } catch {
    return [];
  }
}

/** The beads of everybody whom one reading of a class has, each made when it is first asked for. */
export function beadsOf({ students, sides }: GridView): BeadOf {
  const codesOf = new Map(students.map(({ id, codes }) => [id, codes]));
  const placesOf = new Map<string, readonly { readonly side: SideName; readonly place: number }[]>();
  sides.forEach((key, place) => {
    const one = sideNamed(key);
    if (one === null) return;
    placesOf.set(one.subject, [...(placesOf.get(one.subject) ?? []), { side: one.side, place }]);
  });
  const decoded = new Map<string, readonly CodedStatus[]>();
  const made = new Map<string, BeadState>();
  return (studentId, subject) => {
    const codes = codesOf.get(studentId);
    const places = placesOf.get(subject);
    if (codes === undefined || places === undefined) return null;
    const statuses = decoded.get(studentId) ?? statusesOf(codes);
    decoded.set(studentId, statuses);
    const key = `${studentId} ${subject}`;
    const state =
      made.get(key) ??
      codedBead(
        places.flatMap(({ side, place }) => {
          const coded = statuses[place];
          return coded === undefined ? [] : [{ side, coded }];
        }),
      );
    made.set(key, state);
    return state;
  };
}
