/** A studio's own skills as a file, what another studio would take of it, and the way from one state to another. */
import { catalogueWith } from "@mirrup/catalogue";
import { MOST_OWN_SKILLS, type SkillChange, type SkillsFile } from "@mirrup/contract";
import type { CatalogueFault, Overlay, OverlayEntry } from "@mirrup/core";
import type { ValidationResult } from "joi";
import { hashKey } from "@tanstack/react-query";

const FORMAT: SkillsFile["format"] = "mirrup-skills";
const VERSION: SkillsFile["version"] = 1;
/** More than a thousand skills take with all that can be said of them. */
const LONGEST = 4_000_000;

export function fileOf({ entries }: Pick<Overlay, "entries">): string {
  const file: SkillsFile = { format: FORMAT, version: VERSION, entries };
  return `${JSON.stringify(file, null, 2)}\n`;
}

function isSame(one: OverlayEntry | null, other: OverlayEntry | null): boolean {
  return hashKey([one]) === hashKey([other]);
}

export interface Offered extends SkillChange {
  readonly is: OverlayEntry;
  /** Whether the studio has it not at all, so already, or otherwise. */
  readonly state: "new" | "same" | "other";
}

export type SkillsRead =
  | { readonly ok: true; readonly offered: readonly Offered[] }
  | { readonly ok: false; readonly message: string };

const refused = (message: string): SkillsRead => ({ ok: false, message });

/** What a file offers a studio; or what is wrong with it, in a sentence. */
export async function readSkills(text: string, own: Pick<Overlay, "entries">): Promise<SkillsRead> {
  if (text.length > LONGEST)
    return refused("This file is far too large to be a studio’s skills. Choose another.");
  const { overlayEntry } = await import("@mirrup/contract/schemas");
  let read: Partial<Record<"format" | "version" | "entries", unknown>>;
  try {
    read = Object(JSON.parse(text)) as typeof read;
  } catch {
    return refused("This is no file of skills, or it is damaged. Choose one that a studio’s page has saved.");
  }
  if (read.format !== FORMAT)
    return refused("This is no file of skills. Choose one that a studio’s page has saved.");
  if (read.version !== VERSION) {
    return refused(
      "This file is of a newer Mirrup. Update this one, or have the file saved by an older one.",
    );
  }
  const entries = Object.entries(Object(read.entries) as Record<string, unknown>);
  if (entries.length > MOST_OWN_SKILLS)
    return refused(`A studio has at most ${MOST_OWN_SKILLS} skills of its own.`);
  const offered: Offered[] = [];
  for (const [subject, entry] of entries) {
    const checked: ValidationResult<OverlayEntry> = overlayEntry.validate(entry);
    if (checked.error !== undefined)
      return refused(`“${subject}” in this file is not as it should be: ${checked.error.message}.`);
    const was = own.entries[subject] ?? null;
    const is = checked.value;
    offered.push({ subject, was, is, state: was === null ? "new" : isSame(was, is) ? "same" : "other" });
  }
  return { ok: true, offered };
}

/** What keeps changes from being made; nothing where they can be. */
export function faultsOf(own: Overlay, changes: readonly SkillChange[]): readonly CatalogueFault[] {
  const entries = new Map(Object.entries(own.entries));
  for (const { subject, is } of changes) {
    if (is === null) entries.delete(subject);
    else entries.set(subject, is);
  }
  const result = catalogueWith({ edition: own.edition + 1, entries: Object.fromEntries(entries) });
  return result.ok ? [] : result.faults;
}

/** The changes that make of one state another. */
export function changesTo(now: Overlay["entries"], then: Overlay["entries"]): readonly SkillChange[] {
  const subjects = new Set([...Object.keys(now), ...Object.keys(then)]);
  return [...subjects]
    .map((subject) => ({ subject, was: now[subject] ?? null, is: then[subject] ?? null }))
    .filter(({ was, is }) => !isSame(was, is));
}
