import { describe, expect, it } from "@jest/globals";
import { catalogueWith } from "@mirrup/catalogue";
import { NO_OVERLAY, type Catalogue, type Overlay } from "@mirrup/core";
import { heldBy, moveTo, movedBy, type Move } from "./moves.js";

const made = (own: Overlay): Catalogue => {
  const result = catalogueWith(own);
  if (!result.ok) throw new Error(result.faults.map(({ message }) => message).join(" "));
  return result.catalogue;
};
const { strands } = made(NO_OVERLAY);
const after = (...moves: readonly Move[]) => made(movedBy(NO_OVERLAY, moves, () => true)).strands;
const lineOf = (id: string, all = strands) => all.find((strand) => strand.id === id)?.skills ?? [];
const skillAt = (id: string) => ({ kind: "skill", skill: id }) as const;
const [first = "", second = "", third = "", fourth = ""] = lineOf("taps");

describe("a skill let go on the strands", () => {
  it("goes past what lay below it, and before what lies above it or on another strand", () => {
    expect(moveTo(strands, second, skillAt(third))).toEqual({ skill: second, strand: "taps", after: third });
    expect(moveTo(strands, fourth, skillAt(second))).toEqual({ skill: fourth, strand: "taps", after: first });
    expect(moveTo(strands, fourth, skillAt(first))).toEqual({ skill: fourth, strand: "taps", after: "taps" });
    const [boxer = ""] = lineOf("boxer");
    expect(moveTo(strands, fourth, skillAt(boxer))?.strand).toBe("boxer");
    const last = lineOf("boxer").at(-1);
    expect(moveTo(strands, fourth, { kind: "end", strand: "boxer" })?.after).toBe(last);
  });

  it("is no move where it lies already, or where nothing is", () => {
    const last = lineOf("taps").at(-1) ?? "";
    expect(moveTo(strands, second, skillAt(second))).toBeNull();
    expect(moveTo(strands, last, { kind: "end", strand: "taps" })).toBeNull();
    expect(moveTo(strands, second, skillAt("nothing"))).toBeNull();
    expect(moveTo(strands, second, { kind: "end", strand: "nowhere" })).toBeNull();
  });

  it("stands where it was let go, or beside what needs have it stand by, which is said", () => {
    const near = strands.filter(({ id }) => ["taps", "boxer", "crosses"].includes(id));
    for (const strand of near)
      for (const skill of lineOf("taps"))
        for (const target of [...strand.skills.map(skillAt), { kind: "end", strand: strand.id } as const]) {
          const move = moveTo(strands, skill, target);
          if (move === null) continue;
          const now = after(move);
          const line = lineOf(strand.id, now);
          const at = line.indexOf(skill);
          const asked = line.indexOf(move.after);
          const held = heldBy(now, move);
          if (held === null) expect(line[at - 1] ?? strand.id).toBe(move.after);
          else {
            expect(held.skill).toBe(line[held.side === "after" ? at - 1 : at + 1]);
            expect(held.side).toBe(asked < at ? "after" : "before");
          }
          // Nothing was lost and nothing doubled.
          expect(now.flatMap(({ skills }) => skills).sort()).toEqual(
            strands.flatMap(({ skills }) => skills).sort(),
          );
        }
  });

  it("is passed over once it is not there any more, and the others stand", () => {
    const moves: readonly Move[] = [
      { skill: "gone", strand: "taps", after: "taps" },
      { skill: fourth, strand: "boxer", after: "boxer" },
    ];
    const { entries } = movedBy(NO_OVERLAY, moves, (skill) => skill !== "gone");
    expect(Object.keys(entries)).toEqual([fourth]);
  });
});
