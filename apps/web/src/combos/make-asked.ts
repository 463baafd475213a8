/** What is asked of combos that are made up, as an address says it, and the pool that it is asked of. */
import { sideKey, sidesOf, sideNamed, type Arms, type SideSet } from "@mirrup/core";
import {
  comboPool,
  DIFFICULTIES,
  MAKING_LIMITS,
  type CombosAsked,
  type Difficulty,
  type OwnCombo,
  type PoolPart,
  type SideStatus,
} from "@mirrup/core/combos";
import { isMet, type Status } from "@mirrup/core/teaching";
import { catalogue, ofCatalogue } from "../app/catalogue.js";
import type { ComboStudent } from "./combo-student.js";

export interface MakeAsked {
  readonly counts: number;
  readonly howMany: number;
  readonly include: readonly string[];
  readonly exclude: readonly string[];
  /** Only of these skills; of all that are open where it is empty. */
  readonly among: readonly string[];
  readonly difficulty: Difficulty;
  readonly bounceEnds: boolean;
  readonly bothSides: boolean;
  readonly spacing: number;
  /** In tenths. */
  readonly difference: number;
  /** One side of one skill that is not cleared yet; null for none. */
  readonly newSide: string | null;
  readonly seed: number;
}

const USUAL: MakeAsked = {
  counts: 16,
  howMany: 4,
  include: [],
  exclude: [],
  among: [],
  difficulty: "any",
  bounceEnds: true,
  bothSides: true,
  spacing: 1,
  difference: 5,
  newSide: null,
  seed: 1,
};

function known(keys: readonly string[]): readonly string[] {
  const { skills } = catalogue();
  return keys
    .filter((key) => skills.has(key) || skills.has(sideNamed(key)?.subject ?? ""))
    .slice(0, MAKING_LIMITS.include);
}

export function makeAskedFrom(params: URLSearchParams): MakeAsked {
  const number = (key: string, usual: number, least: number, most: number) => {
    const value = Number(params.get(key) ?? usual);
    return Number.isFinite(value) ? Math.min(most, Math.max(least, Math.round(value))) : usual;
  };
  const flag = (key: string, usual: boolean) => (params.has(key) ? params.get(key) === "1" : usual);
  return {
    counts: number("counts", USUAL.counts, 4, MAKING_LIMITS.counts),
    howMany: number("many", USUAL.howMany, 1, MAKING_LIMITS.howMany),
    include: known(params.getAll("in")),
    exclude: known(params.getAll("out")),
    among: params.getAll("of").filter((id) => catalogue().skills.has(id)),
    difficulty: DIFFICULTIES.find((one) => one === params.get("difficulty")) ?? USUAL.difficulty,
    bounceEnds: flag("ends", USUAL.bounceEnds),
    bothSides: flag("sides", USUAL.bothSides),
    spacing: number("spacing", USUAL.spacing, 0, MAKING_LIMITS.spacing),
    difference: number("difference", USUAL.difference, 0, 10),
    newSide: known(params.getAll("new"))[0] ?? null,
    seed: number("seed", USUAL.seed, 1, 1_000_000),
  };
}

/** The address with what is asked, everything else of it kept. */
export function addressOfMaking(asked: MakeAsked, before: URLSearchParams): URLSearchParams {
  const after = new URLSearchParams(before);
  const set = (key: string, value: string | number, usual: string | number) =>
    value === usual ? after.delete(key) : after.set(key, String(value));
  set("counts", asked.counts, USUAL.counts);
  set("many", asked.howMany, USUAL.howMany);
  set("difficulty", asked.difficulty, USUAL.difficulty);
  set("ends", Number(asked.bounceEnds), Number(USUAL.bounceEnds));
  set("sides", Number(asked.bothSides), Number(USUAL.bothSides));
  set("spacing", asked.spacing, USUAL.spacing);
  set("difference", asked.difference, USUAL.difference);
  set("seed", asked.seed, USUAL.seed);
  set("new", asked.newSide ?? "", "");
  for (const [key, values] of [
    ["in", asked.include],
    ["out", asked.exclude],
    ["of", asked.among],
  ] as const) {
    after.delete(key);
    values.forEach((value) => after.append(key, value));
  }
  return after;
}

/** For whom: one student, all of a group, or whoever knows everything. */
export interface Makers {
  readonly name: string;
  readonly sides: readonly SideStatus[];
  readonly sideways: ReadonlySet<Arms>;
}

const OPEN: ReadonlySet<Status> = new Set(["ready", "working"]);

/** What all of some students can do: cleared where each has cleared it, open where each may begin it. */
export function together(name: string, students: readonly ComboStudent[]): Makers {
  const [first] = students;
  const statusFor = ({ subject, side }: SideStatus): Status => {
    const statuses = students.map((student) => student.statusOf(subject, side) ?? "locked");
    if (statuses.every(isMet)) return "cleared";
    return statuses.every((status) => isMet(status) || OPEN.has(status)) ? "ready" : "locked";
  };
  return {
    name,
    sides: (first?.sides ?? []).map((one) => ({ ...one, status: statusFor(one) })),
    sideways: new Set(
      [...(first?.sideways ?? [])].filter((arms) => students.every((one) => one.sideways.has(arms))),
    ),
  };
}

export const everything: () => Makers = ofCatalogue(({ skills }) => ({
  name: "every skill of the catalogue",
  sides: [...skills.values()].flatMap((skill) =>
    sidesOf(skill).map((side): SideStatus => ({ subject: skill.id, side, status: "cleared" })),
  ),
  sideways: new Set(["bl", "br"]),
}));

/** A slack hop or a rope at rest is part of a combo only where somebody asks for it. */
const ON_REQUEST: ReadonlySet<string> = new Set(["slow-bounce"]);

export function poolOf(
  { sides }: Makers,
  { among, include, newSide }: MakeAsked,
  combos: readonly OwnCombo[],
  wanted: SideSet,
): readonly PoolPart[] {
  const named = newSide === null ? null : sideNamed(newSide);
  const isAsked = (subject: string) =>
    include.some((key) => key === subject || sideNamed(key)?.subject === subject);
  const isAmong = (subject: string) =>
    among.length === 0 ||
    among.includes(subject) ||
    subject === named?.subject ||
    subject === catalogue().roles.bounce;
  return comboPool(
    catalogue(),
    sides.filter(({ subject }) => isAmong(subject) && (!ON_REQUEST.has(subject) || isAsked(subject))),
    { newSide: named, wanted, combos: among.length === 0 ? combos : [] },
  );
}

export function questionOf(asked: MakeAsked, { sideways }: Makers): CombosAsked {
  const { counts, howMany, include, exclude, difficulty, bounceEnds, bothSides, spacing, difference, seed } =
    asked;
  return {
    ...{ counts, howMany, include, exclude, difficulty, bounceEnds, bothSides, spacing, sideways },
    // Seeds next to each other draw nothing alike.
    ...{ difference: difference / 10, seed: seed * 104_729, dominant: "r" },
  };
}

/** The sides that could be the new one. */
export function openSides({ sides }: Makers): readonly string[] {
  return sides.filter(({ status }) => OPEN.has(status)).map(({ subject, side }) => sideKey(subject, side));
}
