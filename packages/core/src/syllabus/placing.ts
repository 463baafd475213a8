/** Where the studio puts a skill among the others, said so that nothing else moves. */
import { isOfSkill, type Overlay, type OverlayEntry, type SkillOverlayEntry } from "./overlay-entry.js";
import { laidStrands, type WrittenCatalogue } from "./overlay-laying.js";

/** A place on a strand: after a skill of it, or at its beginning, which is after the strand itself. */
export interface SkillPlace {
  readonly strand: string;
  readonly after: string;
}

type Entries = Overlay["entries"];
/** The ids on each strand, by the strand's. */
type Lines = ReadonlyMap<string, readonly string[]>;

function linesOf(written: WrittenCatalogue, entries: Entries): Lines {
  const strands = laidStrands(written.strands, { edition: 0, entries });
  return new Map(strands.map(({ id, skills }) => [id, skills.map((skill) => skill.id)]));
}

const isSameLines = (one: Lines, other: Lines) =>
  [...one].every(([strand, line]) => line.join() === (other.get(strand) ?? []).join());

const NOTHING: SkillOverlayEntry = { kind: "changed" };

/** What is said of a skill with another place, or with none; null for nothing that is still said of it. */
function placed(entry: OverlayEntry | undefined, place: Partial<SkillPlace>): SkillOverlayEntry | null {
  const {
    strand: _strand,
    after: _after,
    ...rest
  } = entry !== undefined && isOfSkill(entry) ? entry : NOTHING;
  const said = { ...rest, ...place } as SkillOverlayEntry;
  return said.kind === "changed" && Object.keys(said).length === 1 ? null : said;
}

function withEntry(entries: Entries, id: string, entry: OverlayEntry | null): Entries {
  const { [id]: _was, ...rest } = entries;
  return entry === null ? rest : { ...entries, [id]: entry };
}

/** Whether the studio says where a skill stands, so that others' places do not bear on it. */
function isPlaced(entry: OverlayEntry | undefined): boolean {
  if (entry?.kind === "own") return true;
  return entry?.kind === "changed" && (entry.strand !== undefined || entry.after !== undefined);
}

/**
 * The studio's own once a skill stands elsewhere: every other stays where it is, among all that are laid out, those
 * that are hidden too. As little as can be is said: nothing where it stands as it ships, and of others only where one
 * stood by it. What needs ask for comes before, whatever is said here. O(skills) a skill that the studio placed.
 */
export function placedAt(written: WrittenCatalogue, own: Overlay, skill: string, place: SkillPlace): Entries {
  const { entries } = own;
  const wanted = new Map(
    [...linesOf(written, entries)].map(([strand, line]) => {
      const rest = line.filter((id) => id !== skill);
      if (strand !== place.strand) return [strand, rest] as const;
      return [strand, rest.toSpliced(rest.indexOf(place.after) + 1, 0, skill)] as const;
    }),
  );
  const isWanted = (tried: Entries) => isSameLines(wanted, linesOf(written, tried));
  const homeOf = (id: string) =>
    written.strands.find(({ skills }) => skills.some((one) => one.id === id))?.id;
  const unsaid = withEntry(entries, skill, placed(entries[skill], {}));
  if (homeOf(skill) !== undefined && isWanted(unsaid)) return unsaid;
  const sayAt = (said: Entries, id: string, strand: string, line: readonly string[]): Entries => {
    const after = line[line.indexOf(id) - 1] ?? strand;
    return withEntry(said, id, placed(said[id], homeOf(id) === strand ? { after } : { strand, after }));
  };
  const alone = sayAt(entries, skill, place.strand, wanted.get(place.strand) ?? []);
  if (isWanted(alone)) return alone;
  // Another stood by it, or both say the same place: all that are placed say what they stand after now.
  let all = alone;
  for (const [strand, line] of wanted)
    for (const id of line) if (isPlaced(all[id])) all = sayAt(all, id, strand, line);
  return all;
}
