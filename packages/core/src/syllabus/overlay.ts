/**
 * What a studio teaches otherwise than the catalogue that ships: skills of its own, its own names, other needs. An
 * overlay is laid over the entries as they are written, and what comes of it is checked whole, like any catalogue.
 */
import {
  buildCatalogue,
  plainName,
  type Catalogue,
  type CatalogueFault,
  type CatalogueResult,
  type Craft,
  type SkillEntry,
  type StrandEntry,
} from "./catalogue.js";
import type { Gate, GateOverrides } from "./gates.js";
import { parseNeeds } from "./needs.js";
import { programmeSubject } from "./programme.js";
import { programmeFaults } from "./programme-faults.js";
import type { Programme } from "./programme.js";

/** A skill of the studio's own, on a strand of the catalogue's. Its id is permanent and begins with `own:`. */
export interface OwnSkill extends Omit<SkillEntry, "id" | "shared" | "forms"> {
  readonly strand: string;
  /** What clears it, in whatever school; its class's gate where that is left out. */
  readonly gate?: Gate;
}

/** A skill that ships, as the studio has it; what is left out is as it ships. */
export interface ChangedSkill extends Partial<Pick<OwnSkill, "needs" | "cues" | "look" | "gate">> {
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

export type OverlayEntry = SkillOverlayEntry | OwnProgramme;

export interface Overlay {
  /** Counts the changes. */
  readonly edition: number;
  /** By the skill's id, or the programme's key. */
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

/** A catalogue as it is written: all that an overlay is laid over. */
export interface WrittenCatalogue {
  readonly strands: readonly StrandEntry[];
  readonly version: string;
  readonly craft: Craft;
}

function changed(entry: SkillEntry, change: OverlayEntry | undefined): SkillEntry {
  if (change?.kind !== "changed") return entry;
  const { name, kind: _kind, gate: _gate, ...said } = change;
  return {
    ...entry,
    ...said,
    // The usual name is found all the same.
    ...(name === undefined || name === entry.name ? {} : { name, also: [entry.name, ...(entry.also ?? [])] }),
  };
}

/** The skills that an entry names as needs; none where what is written does not parse, which is told of later. */
function named({ needs }: SkillEntry): readonly string[] {
  try {
    return parseNeeds(needs).needs.flatMap(({ anyOf }) => anyOf.map(({ skill }) => skill));
  } catch {
    return [];
  }
}

/** A strand's skills, each after what it needs of them; as they were, where that is so already. */
function inOrder(skills: readonly SkillEntry[]): readonly SkillEntry[] {
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const placed = new Set<SkillEntry>();
  const begun = new Set<SkillEntry>();
  const place = (skill: SkillEntry): void => {
    // A circle is told of later.
    if (begun.has(skill)) return;
    begun.add(skill);
    for (const id of named(skill)) {
      const before = byId.get(id);
      if (before !== undefined) place(before);
    }
    placed.add(skill);
  };
  skills.forEach(place);
  return [...placed];
}

/** The strands with the studio's skills at their ends, or where what needs them stands. */
function overlaid(strands: readonly StrandEntry[], { entries }: Overlay): readonly StrandEntry[] {
  return strands.map((strand) => {
    const own = Object.entries(entries).flatMap(([id, entry]): SkillEntry[] => {
      if (entry.kind !== "own" || entry.strand !== strand.id) return [];
      const { kind: _kind, strand: _strand, gate: _gate, ...skill } = entry;
      return [{ ...skill, id }];
    });
    const skills = [...strand.skills.map((skill) => changed(skill, entries[skill.id])), ...own];
    return { ...strand, skills: inOrder(skills) };
  });
}

/** Ids and strands that an overlay names and that are not there. */
function strayFaults({ strands }: WrittenCatalogue, { entries }: Overlay): readonly CatalogueFault[] {
  const skills = new Set(strands.flatMap((strand) => strand.skills.map(({ id }) => id)));
  return Object.entries(entries).flatMap(([skill, entry]): CatalogueFault[] => {
    if (entry.kind === "programme") {
      if (programmeSubject(skill)?.item === null) return [];
      const message = `"${skill}" is no id of a programme.`;
      return [{ code: "duplicate-id", skill, message }];
    }
    if (entry.kind === "own") {
      if (!isOwnSkill(skill)) {
        const message = `"${skill}" is no id of a skill of the studio's own.`;
        return [{ code: "duplicate-id", skill, message }];
      }
      if (strands.some(({ id }) => id === entry.strand)) return [];
      const message = `${entry.name}: there is no strand "${entry.strand}".`;
      return [{ code: "strand-order", skill, message }];
    }
    if (skills.has(skill)) return [];
    return [{ code: "unknown-need", skill, message: `"${skill}" is not a skill of the catalogue.` }];
  });
}

/** Names that the studio gives to one skill and that another one has which ships. */
function nameFaults({ strands }: WrittenCatalogue, { entries }: Overlay): readonly CatalogueFault[] {
  const owners = new Map(
    strands.flatMap((strand) =>
      strand.skills
        .map((skill) => changed(skill, entries[skill.id]))
        .flatMap(({ id, name, also = [] }) =>
          [name, ...also].map((one) => [plainName(one), { id, name }] as const),
        ),
    ),
  );
  return Object.entries(entries).flatMap(([skill, entry]): CatalogueFault[] => {
    if (entry.kind === "programme") return [];
    const names = [entry.name ?? [], entry.kind === "own" ? (entry.also ?? []) : []].flat();
    const takenFrom = (one: string) => {
      const owner = owners.get(plainName(one));
      return owner === undefined || owner.id === skill ? null : owner.name;
    };
    return names.flatMap((one): CatalogueFault[] => {
      const owner = takenFrom(one);
      if (owner === null) return [];
      const message = `The name “${one}” belongs to ${owner}. Choose another, or leave it out.`;
      return [{ code: "duplicate-name", skill, message }];
    });
  });
}

/** What is wrong with the studio's programmes, by what is taught. */
function programmesFaults(catalogue: Catalogue, own: Overlay): readonly CatalogueFault[] {
  const programmes = programmesOf(own);
  return [...programmes].flatMap(([skill, programme]) =>
    programmeFaults(catalogue, skill, programme, programmes).map(
      ({ heading, item, message }): CatalogueFault => ({
        ...{ code: "programme", skill, message: `${programme.name}: ${message}` },
        ...(heading === null || item === null ? {} : { place: { heading, item } }),
      }),
    ),
  );
}

/** The gates that the studio sets of its own, in whatever school. */
export function overlayGates({ entries }: Overlay): GateOverrides {
  const gates = Object.entries(entries).flatMap(([id, entry]) =>
    entry.kind === "programme" || entry.gate === undefined ? [] : [[id, entry.gate]],
  );
  return { skills: Object.fromEntries(gates) as Readonly<Record<string, Gate>> };
}

/** The studio's catalogue, checked whole; every fault with the skill's name and the reason. O(skills + needs). */
export function overlay(written: WrittenCatalogue, own: Overlay): CatalogueResult {
  const stray = [...strayFaults(written, own), ...nameFaults(written, own)];
  if (stray.length > 0) return { ok: false, faults: stray };
  const { strands, version, craft } = written;
  const edition = own.edition === 0 ? version : `${version}+${own.edition}`;
  const built = buildCatalogue(overlaid(strands, own), edition, craft);
  if (!built.ok) return built;
  const faults = programmesFaults(built.catalogue, own);
  return faults.length > 0 ? { ok: false, faults } : built;
}

export interface UsableCatalogue {
  readonly catalogue: Catalogue;
  /** What of the overlay does not fit the catalogue that ships any more, and is left out. */
  readonly leftOut: readonly CatalogueFault[];
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
    if (result.ok) return { catalogue: result.catalogue, leftOut };
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
