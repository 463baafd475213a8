/** A programme while it is written, and the moves that change it. */
import {
  itemSideNames,
  programmeItems,
  sidesOf,
  skillOf,
  type ItemSide,
  type OwnProgramme,
  type ProgrammeHeading,
  type ProgrammeItem,
} from "@mirrup/core";
import { catalogue } from "../app/catalogue.js";

export const NEW_PROGRAMME: OwnProgramme = {
  ...{ kind: "programme", name: "", order: "free", before: null, allBut: 0 },
  headings: [{ title: "", items: [] }],
};

/** Where an item stands, both from 0. */
export interface ItemPlace {
  readonly heading: number;
  readonly item: number;
}

/** A skill as it is asked for at first: on all of its sides, to its gate. */
export function newItem(skill: string): ProgrammeItem {
  const side: ItemSide = sidesOf(skillOf(catalogue(), skill)).length > 1 ? "both" : "whole";
  return { skill, side, ask: { kind: "gate" } };
}

type Headings = readonly ProgrammeHeading[];

function withItems(
  headings: Headings,
  place: number,
  change: (items: readonly ProgrammeItem[]) => readonly ProgrammeItem[],
): Headings {
  return headings.map((heading, at) =>
    at === place ? { ...heading, items: change(heading.items) } : heading,
  );
}

export function withItem(headings: Headings, heading: number, item: ProgrammeItem): Headings {
  return withItems(headings, heading, (items) => [...items, item]);
}

export function withoutItem(headings: Headings, { heading, item }: ItemPlace): Headings {
  return withItems(headings, heading, (items) => items.filter((_, place) => place !== item));
}

export function changedItem(
  headings: Headings,
  { heading, item }: ItemPlace,
  change: Partial<ProgrammeItem>,
): Headings {
  return withItems(headings, heading, (items) =>
    items.map((one, place) => (place === item ? { ...one, ...change } : one)),
  );
}

/** Where an item goes that is moved on by one: over the edge of a heading it comes into the next; null at the ends. */
export function placeBeside(headings: Headings, { heading, item }: ItemPlace, by: 1 | -1): ItemPlace | null {
  const count = headings[heading]?.items.length ?? 0;
  const next = item + by;
  if (next >= 0 && next < count) return { heading, item: next };
  const other = headings[heading + by];
  if (other === undefined) return null;
  return { heading: heading + by, item: by === 1 ? 0 : other.items.length };
}

export function movedItem(headings: Headings, from: ItemPlace, to: ItemPlace): Headings {
  const moved = headings[from.heading]?.items[from.item];
  if (moved === undefined) return headings;
  return withItems(withoutItem(headings, from), to.heading, (items) => items.toSpliced(to.item, 0, moved));
}

/** As it is stored: without headings of nothing, and lines of spaces. */
export function settledProgramme(draft: OwnProgramme): OwnProgramme {
  const headings = draft.headings
    .filter(({ items }) => items.length > 0)
    .map(({ title, items }) => ({
      title: title.trim(),
      items: items.map(({ how = "", ...item }) => (how.trim() === "" ? item : { ...item, how: how.trim() })),
    }));
  return { ...draft, name: draft.name.trim(), headings };
}

/** As many columns of boxes as a page held sideways holds. */
const BOXES_ON_A_PAGE = 26;

export interface SheetPart {
  readonly headings: Headings;
  /** The place of its first item among all. */
  readonly first: number;
}

/** A programme's items in pages that can be printed, a heading broken over two where it has to be. */
export function sheetParts(programme: Pick<OwnProgramme, "headings">): readonly SheetPart[] {
  const parts: { headings: { title: string; items: ProgrammeItem[] }[]; first: number; boxes: number }[] = [];
  let place = 0;
  for (const { title, items } of programme.headings) {
    let isBegun = false;
    for (const item of items) {
      const boxes = itemSideNames(item).length;
      let page = parts.at(-1);
      if (page === undefined || page.boxes + boxes > BOXES_ON_A_PAGE) {
        page = { headings: [], first: place, boxes: 0 };
        parts.push(page);
        isBegun = false;
      }
      if (!isBegun) page.headings.push({ title, items: [] });
      isBegun = true;
      page.headings.at(-1)?.items.push(item);
      page.boxes += boxes;
      place += 1;
    }
  }
  return parts;
}

/** The studio's entries that a programme's file needs: itself, those before it, and the own skills that they name. */
export function entriesWith<Entry>(
  key: string,
  all: ReadonlyMap<string, OwnProgramme>,
  entries: Readonly<Record<string, Entry>>,
): Readonly<Record<string, Entry>> {
  const wanted = new Set<string>();
  for (let at: string | null = key; at !== null && !wanted.has(at); at = all.get(at)?.before ?? null) {
    wanted.add(at);
    const programme = all.get(at);
    for (const { skill } of programme === undefined ? [] : programmeItems(programme)) wanted.add(skill);
  }
  return Object.fromEntries(Object.entries(entries).filter(([id]) => wanted.has(id)));
}
