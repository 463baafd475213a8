/**
 * What a studio teaches otherwise than the catalogue that ships: skills of its own, its own names, other needs. An
 * overlay is laid over the entries as they are written, and what comes of it is checked whole, like any catalogue.
 */
import { buildCatalogue, type Catalogue, type CatalogueFault, type CatalogueResult } from "./catalogue.js";
import type { Overlay } from "./overlay-entry.js";
import { hiddenFaults, nameFaults, programmesFaults, strayFaults } from "./overlay-faults.js";
import {
  hiddenOf,
  hiddenSkills,
  overlaid,
  type HiddenSkill,
  type WrittenCatalogue,
} from "./overlay-laying.js";

/** The studio's catalogue, checked whole; every fault with the skill's name and the reason. O(skills + needs). */
export function overlay(written: WrittenCatalogue, own: Overlay): CatalogueResult {
  const stray = [...strayFaults(written, own), ...nameFaults(written, own), ...hiddenFaults(written, own)];
  if (stray.length > 0) return { ok: false, faults: stray };
  const { strands, version, craft } = overlaid(written, own);
  const built = buildCatalogue(strands, version, craft);
  if (!built.ok) return built;
  const faults = programmesFaults(built.catalogue, own);
  return faults.length > 0 ? { ok: false, faults } : built;
}

export interface UsableCatalogue {
  readonly catalogue: Catalogue;
  /** What of the overlay does not fit the catalogue that ships any more, and is left out. */
  readonly leftOut: readonly CatalogueFault[];
  /** What is taught to nobody for now, by the skill's id; what was left out, too. */
  readonly hidden: ReadonlyMap<string, HiddenSkill>;
}

/**
 * The studio's catalogue with what of the overlay fits: a newer build may bring a skill whose name or place the studio
 * had taken, and it must be able to teach all the same. Throws where what ships does not hold by itself.
 */
export function usable(written: WrittenCatalogue, own: Overlay): UsableCatalogue {
  const leftOut: CatalogueFault[] = [];
  let left = own;
  for (;;) {
    const result = overlay(written, left);
    if (result.ok) {
      const lost = Object.entries(own.entries).flatMap(([id, entry]) =>
        entry.kind === "own" && !(id in left.entries) ? [[id, hiddenOf(entry)] as const] : [],
      );
      const hidden = new Map([...hiddenSkills(written, left), ...lost]);
      return { catalogue: result.catalogue, leftOut, hidden };
    }
    const { entries } = left;
    const faulty = new Set(result.faults.map(({ skill }) => skill).filter((skill) => skill in entries));
    if (faulty.size === 0 && Object.keys(entries).length === 0) {
      throw new Error(result.faults.map(({ message }) => message).join("\n"));
    }
    leftOut.push(...result.faults);
    const all = Object.entries(entries);
    // Where what ships is at fault by what the studio has beside it, that is found by itself; else none of it is left.
    const kept =
      faulty.size > 0
        ? all.filter(([id]) => !faulty.has(id))
        : all.filter(([id, entry]) => overlay(written, { ...left, entries: { [id]: entry } }).ok);
    left = { ...left, entries: kept.length < all.length ? Object.fromEntries(kept) : {} };
  }
}
