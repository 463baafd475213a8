/** What a report says of a student in a period: of the record alone, as whoever reads no chart would be told. */
import type {
  ComboStandingItem,
  ComboView,
  NextItem,
  PathView,
  ProgressView,
  StandingItem,
} from "@mirrup/contract";
import {
  byName,
  FAMILIES,
  gateTarget,
  grouped,
  skillOf,
  type Family,
  type SideName,
  type SubjectSide,
} from "@mirrup/core";
import { comboText, onSide } from "@mirrup/core/combos";
import { addPractice, homeDrills, isMet, NO_PRACTICE, type PracticeSums } from "@mirrup/core/teaching";
import { catalogue } from "../app/catalogue.js";
import { familyOf } from "../app/family.js";

/** A skill with those of its sides that are meant. */
export interface Learned {
  readonly subject: string;
  readonly sides: readonly SideName[];
}

export interface Working {
  readonly subject: string;
  readonly side: SideName;
  /** How far to the gate, 0 to 1. */
  readonly share: number;
}

export interface Report {
  readonly lessons: number;
  readonly tries: number;
  readonly learned: readonly Learned[];
  /** Begun in the period and not cleared, the furthest first. */
  readonly working: readonly Working[];
  readonly next: readonly NextItem[];
  /** What can be done at home of what comes next. */
  readonly atHome: readonly NextItem[];
  /** Sides still to be cleared on the way to the goals. */
  readonly left: number;
}

const MOST_NEXT = 3;
const MOST_WORKING = 6;

function bySkill(sides: readonly SubjectSide[]): readonly Learned[] {
  return [...grouped(sides, ({ subject }) => subject)].map(([subject, own]) => ({
    subject,
    sides: own.map(({ side }) => side),
  }));
}

export function reportOf(
  view: ProgressView,
  standings: readonly StandingItem[],
  next: readonly NextItem[],
  path: PathView | undefined,
): Report {
  const days = new Set(view.days.filter(({ sets }) => sets > 0).map(({ day }) => day));
  const all = view.days.reduce<PracticeSums>(addPractice, NO_PRACTICE);
  const practised = new Set(view.days.map(({ subject, side }) => `${subject} ${side}`));
  const proposed = next.map((item) => ({
    ...item,
    cautions: catalogue().skills.get(item.subject)?.cautions ?? [],
  }));
  return {
    lessons: days.size,
    tries: all.clean + all.missed,
    learned: bySkill(view.cleared),
    working: standings
      .filter(({ status, subject, side }) => status === "working" && practised.has(`${subject} ${side}`))
      .map((one) => ({
        subject: one.subject,
        side: one.side,
        share: Math.min(1, one.gateBest / gateTarget(one.gate)),
      }))
      .sort((one, other) => other.share - one.share)
      .slice(0, MOST_WORKING),
    next: next.slice(0, MOST_NEXT),
    atHome: homeDrills(proposed, { isOverAllowance: false }),
    left: path?.steps.length ?? 0,
  };
}

/** Every form that somebody can show, by family and level, for whoever registers them somewhere. */
export function formsOf(
  standings: readonly StandingItem[],
): readonly (readonly [Family, readonly Learned[]])[] {
  const able = bySkill(standings.filter(({ status }) => isMet(status)));
  const levelOf = ({ subject }: Learned) => skillOf(catalogue(), subject).level;
  return FAMILIES.map((family) => {
    const own = able.filter(({ subject }) => familyOf(subject) === family);
    return [family, [...own].sort((one, other) => levelOf(one) - levelOf(other))] as const;
  });
}

/** A combo that can be shown, and on which sides. */
export interface ShownCombo {
  readonly id: string;
  readonly name: string;
  readonly sides: readonly SideName[];
  /** As written, or mirrored where that side alone can be shown. */
  readonly score: string;
}

/** The combos that are cleared, by their names. */
export function combosOf(
  combos: readonly ComboView[],
  standings: readonly ComboStandingItem[],
): readonly ShownCombo[] {
  return combos
    .map(({ id, name, parts }) => {
      const sides = standings
        .filter((one) => one.comboId === id && isMet(one.status))
        .map(({ side }) => side);
      const isMirrored = sides.every((side) => side === "left");
      return { id, name, sides, score: comboText(isMirrored ? onSide(parts, "left") : parts) };
    })
    .filter(({ sides }) => sides.length > 0)
    .sort((one, other) => byName(one.name, other.name));
}
