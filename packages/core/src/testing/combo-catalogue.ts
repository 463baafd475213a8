/** A catalogue small enough to reckon with by hand, of skills that can be joined. */
import { buildCatalogue, type Catalogue, type SkillEntry } from "../syllabus/catalogue.js";
import { scoreOf } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { partsOfScore } from "../combos/read-parts.js";
import type { ComboPart } from "../combos/part.js";
import type { SideStatus } from "../combos/pool.js";
import { sidesOf } from "../sides.js";
import type { Status } from "../record/standing.js";

type Line = readonly [id: string, sides: "one" | "two", score: string, needs: string];

const LINES: readonly Line[] = [
  ["basic-bounce", "one", "o", ""],
  ["hop", "two", "o/r", "basic-bounce"],
  ["side-swing", "two", "sr o", "basic-bounce"],
  ["double-side-swing", "two", "sr sl o", "side-swing"],
  ["half-turn", "two", "sr+turnr", "side-swing"],
  ["backward-bounce", "one", "< o", "half-turn"],
  ["cross", "two", "xr o", "basic-bounce"],
  ["front-back", "two", "br o", "cross / side-swing"],
  ["back-swing", "two", "br er o", "front-back / cross"],
  ["double", "one", "(o o)", "basic-bounce"],
  ["open-cross", "two", "(o xr) o", "double; cross"],
];

function entryOf([id, sides, score, needs]: Line): SkillEntry {
  const plain = { cues: ["one", "two"], faults: [], look: "" };
  return { id, name: id, sides, score, needs, class: "cross", ...plain };
}

function build(): Catalogue {
  const skills = LINES.map(entryOf);
  const result = buildCatalogue([{ id: "strand", name: "strand", family: "crosses", skills }], "test");
  if (!result.ok) throw new Error(result.faults.map((fault) => fault.message).join("\n"));
  return result.catalogue;
}

export const COMBO_CATALOGUE = build();

/** The parts of each text, end to end, however they join. */
export function partsOf(...texts: readonly string[]): readonly ComboPart[] {
  return texts.flatMap((text) => partsOfScore(COMBO_CATALOGUE, scoreOf(text)));
}

/** Every side with one status, but for those named otherwise. */
export function allSides(
  status: Status,
  others: Readonly<Record<string, Status>> = {},
  catalogue: Catalogue = COMBO_CATALOGUE,
): readonly SideStatus[] {
  return [...catalogue.skills.values()].flatMap((skill) =>
    sidesOf(skill).map((side) => ({
      subject: skill.id,
      side,
      status: others[`${skill.id}:${side}`] ?? others[skill.id] ?? status,
    })),
  );
}

/** A text as it is printed. */
export function printed(text: string): string {
  return printScore(scoreOf(text));
}
