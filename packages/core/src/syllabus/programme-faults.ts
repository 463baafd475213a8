/** What keeps a programme from being kept, each with its place and a sentence that says what to do. */
import { sidesOf } from "../sides.js";
import type { Catalogue } from "./catalogue.js";
import { itemKey, itemSideNames, programmeItems, type Programme, type ProgrammeItem } from "./programme.js";

export interface ProgrammeFault {
  /** The heading and the item from 0; null for the programme as a whole. */
  readonly heading: number | null;
  readonly item: number | null;
  readonly code:
    | "no-items"
    | "unknown-subject"
    | "side-not-of-skill"
    | "asked-twice"
    | "all-but-too-many"
    | "unknown-programme"
    | "cycle";
  readonly message: string;
}

type Named = Pick<Programme, "name" | "before">;

const WHOLE = { heading: null, item: null } as const;

function itemFaults(
  catalogue: Catalogue,
  { skill: id, side }: ProgrammeItem,
): readonly Pick<ProgrammeFault, "code" | "message">[] {
  const skill = catalogue.skills.get(id);
  if (skill === undefined) {
    return [
      {
        code: "unknown-subject",
        message: `"${id}" is not a skill of the skill book. Choose another, or take it out.`,
      },
    ];
  }
  if (itemSideNames({ side }).every((one) => sidesOf(skill).includes(one))) return [];
  const sides = skill.twoSided ? "left, right, both sides or either" : "no sides";
  return [{ code: "side-not-of-skill", message: `The ${skill.name} has ${sides}. Choose the side to fit.` }];
}

/** Whether the way back from a programme over what comes before it leads to `key`. */
function leadsTo(key: string, from: string | null, others: ReadonlyMap<string, Named>): boolean {
  const met = new Set<string>();
  for (let at = from; at !== null && !met.has(at); at = others.get(at)?.before ?? null) {
    if (at === key) return true;
    met.add(at);
  }
  return false;
}

function beforeFaults(
  key: string,
  { before }: Programme,
  others: ReadonlyMap<string, Named>,
): readonly ProgrammeFault[] {
  if (before === null) return [];
  const other = others.get(before);
  if (before !== key && other === undefined) {
    const message = "The programme that should come before is not there. Choose another, or none.";
    return [{ ...WHOLE, code: "unknown-programme", message }];
  }
  if (!leadsTo(key, before, others)) return [];
  const message =
    before === key
      ? "A programme cannot come before itself. Choose another, or none."
      : `${other?.name ?? "That one"} comes after this one already. Choose another, or none.`;
  return [{ ...WHOLE, code: "cycle", message }];
}

/** Everything wrong with a programme beside the studio's others; O(items + programmes). */
export function programmeFaults(
  catalogue: Catalogue,
  key: string,
  programme: Programme,
  others: ReadonlyMap<string, Named>,
): readonly ProgrammeFault[] {
  const met = new Set<string>();
  const ofItems = programme.headings.flatMap(({ items }, heading) =>
    items.flatMap((one, item): ProgrammeFault[] => {
      const faults = itemFaults(catalogue, one).map((fault) => ({ ...fault, heading, item }));
      const asked = itemSideNames(one).map((side) => `${itemKey(one)}:${side}`);
      const isTwice = asked.some((each) => met.has(each));
      asked.forEach((each) => met.add(each));
      if (!isTwice) return faults;
      const name = catalogue.skills.get(one.skill)?.name ?? one.skill;
      const message = `The ${name} is asked twice in the same way. Take one of the two out.`;
      return [...faults, { heading, item, code: "asked-twice", message }];
    }),
  );
  const count = programmeItems(programme).length;
  const whole: ProgrammeFault[] = [];
  if (count === 0) {
    whole.push({ ...WHOLE, code: "no-items", message: "A programme asks for a skill at least. Add one." });
  } else if (programme.allBut >= count) {
    const message = `It has ${count} of them: all but ${programme.allBut} would be none. Let fewer be missing.`;
    whole.push({ ...WHOLE, code: "all-but-too-many", message });
  }
  return [...whole, ...beforeFaults(key, programme, others), ...ofItems];
}
