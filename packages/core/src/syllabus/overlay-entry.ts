/** What a studio may have of its own beside the catalogue that ships: skills, names, needs, gates, programmes. */
import type { SkillEntry } from "./catalogue.js";
import type { HandDrill } from "./hand-ladder.js";
import { SCHOOL_IDS, type Gate, type GateOverrides, type SchoolId } from "./gates.js";
import type { Programme } from "./programme.js";
import type { SkillClass } from "./skill.js";

/** A skill of the studio's own, on a strand of the catalogue's. Its id is permanent and begins with `own:`. */
export interface OwnSkill extends Omit<SkillEntry, "id" | "shared" | "forms"> {
  readonly strand: string;
  /** What clears it, in whatever school; its class's gate where that is left out. */
  readonly gate?: Gate;
  /** What clears it in one school, before what clears it in all. */
  readonly gates?: Readonly<Partial<Record<SchoolId, Gate>>>;
  /**
   * The skill of its strand that it stands after, as far as what needs what lets it, or the strand itself for its
   * beginning; at the end where none is named.
   */
  readonly after?: string;
  /** What the studio's coaches tell each other of it; empty for nothing. */
  readonly note?: string;
  /** The drills that lead to it, where it has no score; its class's where none is named. */
  readonly ladder?: readonly HandDrill[];
  /** Taught to nobody for now; its record stays, and counts again once it is shown. */
  readonly isHidden?: boolean;
}

/** A skill that ships, as the studio has it; what is left out is as it ships. */
export interface ChangedSkill extends Partial<
  Omit<OwnSkill, "name" | "sides" | "score" | "class" | "ladder">
> {
  /** The studio's own name, which comes before the usual one. */
  readonly name?: string;
}

export type SkillOverlayEntry =
  ({ readonly kind: "own" } & OwnSkill) | ({ readonly kind: "changed" } & ChangedSkill);

export interface OwnProgramme extends Programme {
  readonly kind: "programme";
  /** It is not worked at any more; who finished it has finished it. */
  readonly isEnded?: boolean;
}

/** What a school asks otherwise in this studio, of whole classes. */
export interface OwnSchool {
  readonly kind: "school";
  readonly classes: Readonly<Partial<Record<SkillClass, Gate>>>;
}

export type OverlayEntry = SkillOverlayEntry | OwnProgramme | OwnSchool;

const SCHOOL = /^school:(.+)$/;

/** The key under which a studio keeps what it asks otherwise in a school. */
export function schoolKey(school: SchoolId): string {
  return `school:${school}`;
}

/** The school that such a key is of; null for any other key. */
export function schoolOfKey(key: string): SchoolId | null {
  const [, id] = SCHOOL.exec(key) ?? [];
  return SCHOOL_IDS.find((one) => one === id) ?? null;
}

export function isOfSkill(entry: OverlayEntry): entry is SkillOverlayEntry {
  return entry.kind === "own" || entry.kind === "changed";
}

export interface Overlay {
  /** Counts the changes. */
  readonly edition: number;
  /** By the skill's id, the programme's key or the school's. */
  readonly entries: Readonly<Record<string, OverlayEntry>>;
}

export const NO_OVERLAY: Overlay = { edition: 0, entries: {} };

const OWN = /^own:[\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12}$/;

/** Whether an id is one of a studio's own skill. */
export function isOwnSkill(id: string): boolean {
  return OWN.test(id);
}

/** A studio's programmes by their key, `programme:<uuid>`. */
export function programmesOf({ entries }: Overlay): ReadonlyMap<string, OwnProgramme> {
  return new Map(
    Object.entries(entries).flatMap(([key, entry]) => (entry.kind === "programme" ? [[key, entry]] : [])),
  );
}

/** The gates that the studio sets of its own in a school, skill by skill and for whole classes. */
export function overlayGates({ entries }: Overlay, school: SchoolId): GateOverrides {
  const gates = Object.entries(entries).flatMap(([id, entry]) => {
    const gate = isOfSkill(entry) ? (entry.gates?.[school] ?? entry.gate) : undefined;
    return gate === undefined ? [] : [[id, gate] as const];
  });
  const own = entries[schoolKey(school)];
  return {
    skills: Object.fromEntries(gates),
    ...(own?.kind === "school" ? { classes: own.classes } : {}),
  };
}
