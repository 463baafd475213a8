/** How a studio's own is laid over the entries that ship: which skills stand on which strand, in which order. */
import { grouped } from "../grouped.js";
import { parseScore } from "../rope/parse.js";
import type { Craft, SkillEntry, StrandEntry } from "./catalogue.js";
import { handLadderLine } from "./hand-ladder.js";
import { parseNeeds, printNeeds } from "./needs.js";
import { isOfSkill, type Overlay, type OverlayEntry, type SkillOverlayEntry } from "./overlay-entry.js";
import type { Skill } from "./skill.js";

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
  if (!("ladder" in said)) return said;
  const { ladder: _ladder, ...plain } = said;
  return plain;
}

export function changed(entry: SkillEntry, change: OverlayEntry | undefined): SkillEntry {
  if (change?.kind !== "changed") return entry;
  const { name = entry.name, also = [], ...said } = saidOf(change);
  // Its usual names are found all the same.
  const others = [...(name === entry.name ? [] : [entry.name]), ...(entry.also ?? []), ...also];
  return { ...entry, ...said, name, ...(others.length === 0 ? {} : { also: others }) };
}

/** The skills that an entry names as needs; none where what is written does not parse, which is told of later. */
export function named({ needs }: SkillEntry): readonly string[] {
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
export function laidStrands(strands: readonly StrandEntry[], { entries }: Overlay): readonly StrandEntry[] {
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
  // By their ids, since what is kept and read again has its entries in another order.
  const placed = [...moved, ...own].sort((one, other) => (one.skill.id < other.skill.id ? -1 : 1));
  const byStrand = grouped(placed, ({ strand }) => strand);
  return strands.map((strand) => {
    const rest = strand.skills
      .filter(({ id }) => !isMoved.has(id))
      .map((one) => changed(one, entries[one.id]));
    return { ...strand, skills: laidAmong(rest, byStrand.get(strand.id) ?? [], strand.id) };
  });
}

/** A skill that the studio puts somewhere. */
interface Placed {
  readonly skill: SkillEntry;
  readonly strand: string;
  readonly after: string | undefined;
}

/** Skills with those among them that the studio puts there: one that stands after another of these once that has its place. */
function laidAmong(
  rest: readonly SkillEntry[],
  placed: readonly Placed[],
  strand: string,
): readonly SkillEntry[] {
  const skills = [...rest];
  const there = new Set(rest.map(({ id }) => id));
  const put = ({ skill, after }: Placed) => {
    const isAfter = after !== undefined && (after === strand || there.has(after));
    // The strand itself is at no place, and what comes after it is the first.
    skills.splice(isAfter ? skills.findIndex(({ id }) => id === after) + 1 : skills.length, 0, skill);
    there.add(skill.id);
  };
  let left = placed;
  while (left.length > 0) {
    const ready = left.filter(({ after }) => after === undefined || after === strand || there.has(after));
    // What stands after nothing that is there stands last.
    const now = new Set(ready.length > 0 ? ready : left);
    now.forEach(put);
    left = left.filter((one) => !now.has(one));
  }
  return skills;
}

export function isHiddenIn({ entries }: Overlay, id: string): boolean {
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

/** The ladders that the studio writes by hand, of its skills without a score. */
function handLadders({ entries }: Overlay): readonly (readonly [id: string, line: string])[] {
  return Object.entries(entries).flatMap(([id, entry]) => {
    if (entry.kind !== "own" || entry.score !== null) return [];
    const { ladder = [] } = entry;
    return ladder.length === 0 ? [] : [[id, handLadderLine(ladder)] as const];
  });
}

/** A catalogue as it is to be built: what is taught, each strand's skills in an order that can be. */
export function overlaid({ strands, version, craft }: WrittenCatalogue, own: Overlay): WrittenCatalogue {
  const ofSkills = [...Object.entries(craft.ladders.skills), ...handLadders(own)].filter(
    ([id]) => !isHiddenIn(own, id),
  );
  return {
    version: own.edition === 0 ? version : `${version}+${own.edition}`,
    strands: laidStrands(strands, own).map((strand) => ({
      ...strand,
      skills: inOrder(
        strand.skills.filter(({ id }) => !isHiddenIn(own, id)).map((skill) => withoutHidden(skill, own)),
      ),
    })),
    craft: { ...craft, ladders: { ...craft.ladders, skills: Object.fromEntries(ofSkills) } },
  };
}

export type HiddenSkill = Pick<Skill, "name" | "twoSided" | "score">;

export function hiddenOf({ name, sides, score }: Pick<SkillEntry, "name" | "sides" | "score">): HiddenSkill {
  const parsed = score === null ? null : parseScore(score);
  return { name, twoSided: sides === "two", score: parsed?.ok === true ? parsed.score : null };
}

/** What is taught to nobody for now, by the skill's id: what is logged of it all the same is kept. */
export function hiddenSkills({ strands }: WrittenCatalogue, own: Overlay): ReadonlyMap<string, HiddenSkill> {
  const all = laidStrands(strands, own).flatMap(({ skills }) => skills);
  return new Map(
    all.filter(({ id }) => isHiddenIn(own, id)).map((skill) => [skill.id, hiddenOf(skill)] as const),
  );
}
