/** Programmes: named lists of chosen skills under headings, with what counts of each (drills.md, 4). */
import type { SideName } from "../sides.js";
import { gateKey, type Gate } from "./gates.js";

/** What counts for an item: the gate in force for the student, once as it should be, or so much. */
export type Ask = { readonly kind: "gate" } | { readonly kind: "shown" } | Gate;

/** The side that an item is asked on; `either` is done by whichever comes first. */
export const ITEM_SIDES = ["left", "right", "both", "either", "whole"] as const;
export type ItemSide = (typeof ITEM_SIDES)[number];

export interface ProgrammeItem {
  readonly skill: string;
  readonly side: ItemSide;
  readonly ask: Ask;
  /** How it is to be shown, in a line. */
  readonly how?: string;
}

export interface ProgrammeHeading {
  readonly title: string;
  readonly items: readonly ProgrammeItem[];
}

export interface Programme {
  readonly name: string;
  readonly headings: readonly ProgrammeHeading[];
  /** Whether the items are worked through as they stand, or in any order. */
  readonly order: "fixed" | "free";
  /** The key of the programme that comes before it; null for none. */
  readonly before: string | null;
  /** So many items may be missing, and it is finished all the same. */
  readonly allBut: number;
}

const SUBJECT = /^(programme:[\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12})(?:#(.+))?$/;

/** What a subject of the log says of a programme: its key, and the item's; null for anything else. */
export function programmeSubject(
  subject: string,
): { readonly programme: string; readonly item: string | null } | null {
  const [, programme, item] = SUBJECT.exec(subject) ?? [];
  return programme === undefined ? null : { programme, item: item ?? null };
}

/** What is said by hand of an item is kept under: a subject of the log. */
export function itemSubject(programme: string, item: string): string {
  return `${programme}#${item}`;
}

export const PROGRAMME_LIMITS = {
  name: 60,
  title: 60,
  how: 120,
  headings: 20,
  /** Under all headings together: as many as a sheet holds. */
  items: 60,
} as const;

export function programmeItems({ headings }: Pick<Programme, "headings">): readonly ProgrammeItem[] {
  return headings.flatMap((heading) => heading.items);
}

function askKey(ask: Ask): string {
  return ask.kind === "gate" || ask.kind === "shown" ? ask.kind : gateKey(ask);
}

/** What a tick by hand is kept under: it holds for as long as the same is asked of the same skill. */
export function itemKey({ skill, ask }: Pick<ProgrammeItem, "skill" | "ask">): string {
  return `${skill}/${askKey(ask)}`;
}

/** The skill that an item's key is about. */
export function skillOfItem(key: string): string {
  // An id has no slash; what is asked may have one.
  return key.slice(0, key.indexOf("/"));
}

/** The sides that an item is ticked on. */
export function itemSideNames({ side }: Pick<ProgrammeItem, "side">): readonly SideName[] {
  return side === "both" || side === "either" ? ["left", "right"] : [side];
}

/** What a set has to come to; null where the gate in force is asked, which the record knows by itself. */
export function askedOfSet(ask: Ask): Gate | null {
  switch (ask.kind) {
    case "gate":
      return null;
    case "shown":
      return { kind: "clean", clean: 1, of: 1 };
    default:
      return ask;
  }
}

/** How many items have to be done. */
export function itemsAsked(programme: Pick<Programme, "headings" | "allBut">): number {
  return Math.max(1, programmeItems(programme).length - programme.allBut);
}
