import type { StandingItem } from "@mirrup/contract";
import { gateTarget, sidesOf, type SideName } from "@mirrup/core";
import { decodeStatuses, type CodedStatus, type Status } from "@mirrup/core/teaching";
import { catalogue } from "../app/catalogue.js";

/** One half of a bead, or the whole of one that has no sides. */
export interface BeadHalf {
  readonly status: Status;
  /** How far to the gate, from 0 to 1. */
  readonly progress: number;
  /** Begun and not moving: a bar across it. */
  readonly isStuck?: boolean;
  /** Out of the filter in force: only its outline shows. */
  readonly isFaint?: boolean;
}

export type BeadState =
  | { readonly kind: "whole"; readonly whole: BeadHalf }
  | { readonly kind: "split"; readonly left: BeadHalf; readonly right: BeadHalf };

/** The sides of one skill's standing; a side that the reply lacks is absent. */
export type SkillStanding = ReadonlyMap<SideName, StandingItem>;

export function bySkill(items: readonly StandingItem[]): ReadonlyMap<string, SkillStanding> {
  const skills = new Map<string, Map<SideName, StandingItem>>();
  for (const item of items) {
    const sides = skills.get(item.subject) ?? new Map<SideName, StandingItem>();
    skills.set(item.subject, sides.set(item.side, item));
  }
  return skills;
}

const UNKNOWN: BeadHalf = { status: "locked", progress: 0 };

function halfOf(item: StandingItem | undefined): BeadHalf {
  return item === undefined
    ? UNKNOWN
    : {
        status: item.status,
        progress: item.gateBest / gateTarget(item.gate),
        isStuck: item.isStuck,
      };
}

export function beadState(standing: SkillStanding | undefined): BeadState {
  const whole = standing?.get("whole");
  if (whole !== undefined) return { kind: "whole", whole: halfOf(whole) };
  return { kind: "split", left: halfOf(standing?.get("left")), right: halfOf(standing?.get("right")) };
}

/** The bead with the halves that a filter leaves out drawn faint. */
export function withFaint(state: BeadState, isShown: (side: SideName) => boolean): BeadState {
  if (state.kind === "whole") return state;
  return {
    kind: "split",
    left: { ...state.left, isFaint: !isShown("left") },
    right: { ...state.right, isFaint: !isShown("right") },
  };
}

/** A skill's bead from the codes of its sides, in their order; null where they are not of it. */
export function beadOfCodes(subject: string, codes: string): BeadState | null {
  const skill = catalogue().skills.get(subject);
  const sides = skill === undefined ? [] : sidesOf(skill);
  const decoded = decodeStatuses(codes);
  if (sides.length === 0 || decoded.length !== sides.length) return null;
  return codedBead(sides.flatMap((side, place) => (decoded[place] ? [{ side, coded: decoded[place] }] : [])));
}

/** A bead from statuses as a class's grid carries them. */
export function codedBead(
  sides: readonly { readonly side: SideName; readonly coded: CodedStatus }[],
): BeadState {
  const halfAt = (side: SideName): BeadHalf => {
    const coded = sides.find((one) => one.side === side)?.coded;
    return coded === undefined
      ? UNKNOWN
      : { status: coded.status, progress: coded.tenths / 10, isStuck: coded.isStuck };
  };
  if (sides.some((one) => one.side === "whole")) return { kind: "whole", whole: halfAt("whole") };
  return { kind: "split", left: halfAt("left"), right: halfAt("right") };
}
