/**
 * What a studio teaches otherwise than the catalogue that ships: skills of its own, its own names, other needs. An
 * overlay is laid over the entries as they are written, and what comes of it is checked whole, like any catalogue.
 */
import { grouped } from "../grouped.js";
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
import { SCHOOL_IDS, type Gate, type GateOverrides, type SchoolId } from "./gates.js";
import { parseLadders } from "./ladder-line.js";
import { parseNeeds, printNeeds } from "./needs.js";
import { parseScore } from "../rope/parse.js";
import { programmeFaults } from "./programme-faults.js";
import { namedInRoles } from "./roles.js";
import type { Skill, SkillClass } from "./skill.js";
import { programmeItems, programmeSubject, type Programme } from "./programme.js";

/** A skill of the studio's own, on a strand of the catalogue's. Its id is permanent and begins with `own:`. */
export interface OwnSkill extends Omit<SkillEntry, "id" | "shared" | "forms"> {
  readonly strand: string;
  /** What clears it, in whatever school; its class's gate where that is left out. */
  readonly gate?: Gate;
  /** What clears it in one school, before what clears it in all. */
  readonly gates?: Readonly<Partial<Record<SchoolId, Gate>>>;
  /** The skill of its strand that it stands after, as far as what needs what lets it; at the end where none is named. */
  readonly after?: string;
  /** What the studio's coaches tell each other of it; empty for nothing. */
  readonly note?: string;
  /** Taught to nobody for now; its record stays, and counts again once it is shown. */
  readonly isHidden?: boolean;
}

/** A skill that ships, as the studio has it; what is left out is as it ships. */
export interface ChangedSkill extends Partial<Omit<OwnSkill, "name" | "sides" | "score" | "class">> {
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

function isOfSkill(entry: OverlayEntry): entry is SkillOverlayEntry {
  return entry.kind === "own" || entry.kind === "changed";
}

export interface Overlay {
  /** Counts the changes. */
  readonly edition: number;
  /** By the skill's id, the programme's key or the school's. */
  readonly entries: Readonly<Record<string, OverlayEntry>>;
}

export const NO_OVERLAY: Overlay = { edition: 0, entries: {} };

/** Skills that are told by name. */
const MOST_TOLD = 5;

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

/** What an entry says of the skill itself, and not of where it stands or how the studio teaches it. */
function saidOf<Entry extends SkillOverlayEntry>(entry: Entry) {
  const { kind: _kind, strand: _strand, after: _after, note: _note, ...rest } = entry;
  const { gate: _gate, gates: _gates, isHidden: _hidden, ...said } = rest;
  return said;
}

function changed(entry: SkillEntry, change: OverlayEntry | undefined): SkillEntry {
  if (change?.kind !== "changed") return entry;
  const { name = entry.name, also = [], ...said } = saidOf(change);
  // Its usual names are found all the same.
  const others = [...(name === entry.name ? [] : [entry.name]), ...(entry.also ?? []), ...also];
  return { ...entry, ...said, name, ...(others.length === 0 ? {} : { also: others }) };
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

/** The strands with the studio's skills at their ends, or where what needs them stands; those that are hidden too. */
function withOwn(strands: readonly StrandEntry[], { entries }: Overlay): readonly StrandEntry[] {
  const places = new Map(strands.flatMap(({ id, skills }) => skills.map((skill) => [skill.id, id] as const)));
  const shipped = strands.flatMap(({ skills }) => skills);
  const moved = shipped.flatMap((skill): Placed[] => {
    const entry = entries[skill.id];
    const strand = entry?.kind === "changed" ? (entry.strand ?? places.get(skill.id)) : undefined;
    if (entry?.kind !== "changed" || strand === undefined) return [];
    if (entry.strand === undefined && entry.after === undefined) return [];
    return [{ skill: changed(skill, entry), strand, after: entry.after }];
  });
  const own = Object.entries(entries).flatMap(([id, entry]): Placed[] =>
    entry.kind === "own"
      ? [
          {
            skill: { ...saidOf(entry), id },
            strand: entry.strand,
            after: entry.after,
          },
        ]
      : [],
  );
  const isMoved = new Set(moved.map(({ skill }) => skill.id));
  const byStrand = grouped([...moved, ...own], ({ strand }) => strand);
  return strands.map((strand) => {
    const rest = strand.skills
      .filter(({ id }) => !isMoved.has(id))
      .map((one) => changed(one, entries[one.id]));
    return { ...strand, skills: (byStrand.get(strand.id) ?? []).reduce(placedAmong, rest) };
  });
}

/** A skill that the studio puts somewhere. */
interface Placed {
  readonly skill: SkillEntry;
  readonly strand: string;
  readonly after: string | undefined;
}

function placedAmong(skills: readonly SkillEntry[], { skill, after }: Placed): readonly SkillEntry[] {
  const place = skills.findIndex(({ id }) => id === after);
  return place < 0 ? [...skills, skill] : skills.toSpliced(place + 1, 0, skill);
}

function isHiddenIn({ entries }: Overlay, id: string): boolean {
  const entry = entries[id];
  return entry !== undefined && isOfSkill(entry) && entry.isHidden === true;
}

/** The skill's needs without what merely helps and is hidden. */
function withoutHidden(skill: SkillEntry, own: Overlay): SkillEntry {
  if (!skill.needs.includes("helps:")) return skill;
  try {
    const { needs, helps } = parseNeeds(skill.needs);
    return { ...skill, needs: printNeeds({ needs, helps: helps.filter((id) => !isHiddenIn(own, id)) }) };
  } catch {
    return skill;
  }
}

/** A catalogue as it is to be built: what is taught, each strand's skills in an order that can be. */
function overlaid({ strands, version, craft }: WrittenCatalogue, own: Overlay): WrittenCatalogue {
  const ofSkills = Object.entries(craft.ladders.skills).filter(([id]) => !isHiddenIn(own, id));
  return {
    version: own.edition === 0 ? version : `${version}+${own.edition}`,
    strands: withOwn(strands, own).map((strand) => ({
      ...strand,
      skills: inOrder(
        strand.skills.filter(({ id }) => !isHiddenIn(own, id)).map((skill) => withoutHidden(skill, own)),
      ),
    })),
    craft: { ...craft, ladders: { ...craft.ladders, skills: Object.fromEntries(ofSkills) } },
  };
}

/** Whether the drills of one skill go by way of another. */
function goesBy({ strands, craft }: WrittenCatalogue): (skill: string, part: string) => boolean {
  const classes = new Map(strands.flatMap(({ skills }) => skills.map((skill) => [skill.id, skill.class])));
  const { skills: lines } = parseLadders(craft.ladders, (id) => classes.get(id));
  return (skill, part) => lines.get(skill)?.some(({ parts }) => parts.includes(part)) === true;
}

/** What still asks for a skill that is to be hidden, told of the hidden one. */
function hiddenFaults(written: WrittenCatalogue, own: Overlay): readonly CatalogueFault[] {
  if (!Object.keys(own.entries).some((id) => isHiddenIn(own, id))) return [];
  const all = withOwn(written.strands, own).flatMap(({ skills }) => skills);
  const hidden = all.filter(({ id }) => isHiddenIn(own, id));
  const shown = all.filter(({ id }) => !isHiddenIn(own, id));
  const roles = new Set(namedInRoles(written.craft.roles));
  const isBy = goesBy(written);
  const programmes = [...programmesOf(own).values()].filter(({ isEnded }) => isEnded !== true);
  return hidden.flatMap(({ id, name: plain }): CatalogueFault[] => {
    const name = plain.charAt(0).toUpperCase() + plain.slice(1);
    if (roles.has(id)) {
      const message = `${name} is what other skills are drilled and tested with, and cannot be hidden.`;
      return [{ code: "role", skill: id, message }];
    }
    const using = [
      ...shown.filter((skill) => named(skill).includes(id) || isBy(skill.id, id)),
      ...programmes.filter((programme) => programmeItems(programme).some(({ skill }) => skill === id)),
    ].map((one) => one.name);
    if (using.length === 0) return [];
    const told = using.slice(0, MOST_TOLD).join(", ");
    const more = using.length > MOST_TOLD ? ` and ${using.length - MOST_TOLD} more` : "";
    const message = `${name} is needed by ${told}${more}. Hide them too, or change what they need.`;
    return [{ code: "hidden-need", skill: id, message }];
  });
}

export type HiddenSkill = Pick<Skill, "name" | "twoSided" | "score">;

function hiddenOf({ name, sides, score }: Pick<SkillEntry, "name" | "sides" | "score">): HiddenSkill {
  const parsed = score === null ? null : parseScore(score);
  return { name, twoSided: sides === "two", score: parsed?.ok === true ? parsed.score : null };
}

/** What is taught to nobody for now, by the skill's id: what is logged of it all the same is kept. */
export function hiddenSkills({ strands }: WrittenCatalogue, own: Overlay): ReadonlyMap<string, HiddenSkill> {
  const all = withOwn(strands, own).flatMap(({ skills }) => skills);
  return new Map(
    all.filter(({ id }) => isHiddenIn(own, id)).map((skill) => [skill.id, hiddenOf(skill)] as const),
  );
}

/** Ids and strands that an overlay names and that are not there. */
function strayFaults({ strands }: WrittenCatalogue, { entries }: Overlay): readonly CatalogueFault[] {
  const skills = new Set(strands.flatMap((strand) => strand.skills.map(({ id }) => id)));
  return Object.entries(entries).flatMap(([skill, entry]): CatalogueFault[] => {
    if (entry.kind === "school") {
      if (schoolOfKey(skill) !== null) return [];
      const message = `"${skill}" is no school.`;
      return [{ code: "duplicate-id", skill, message }];
    }
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
    const strand = entry.strand;
    if (strand !== undefined && !strands.some(({ id }) => id === strand)) {
      return [{ code: "strand-order", skill, message: `${skill}: there is no strand "${strand}".` }];
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
    if (!isOfSkill(entry)) return [];
    const names = [entry.name ?? [], entry.also ?? []].flat();
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
    programmeFaults(catalogue, skill, programme, programmes)
      // Nobody works at what is ended: what it asked may be taught no longer.
      .filter(({ code }) => programme.isEnded !== true || code !== "unknown-subject")
      .map(({ heading, item, message }): CatalogueFault => ({
        ...{ code: "programme", skill, message: `${programme.name}: ${message}` },
        ...(heading === null || item === null ? {} : { place: { heading, item } }),
      })),
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
