/** What a class has: ropes told apart or only counted, helpers and what they may lead. Pure. */
import { FAMILIES } from "@mirrup/core";
import { ROPE_KINDS, type Floor, type Helper, type RopeStock } from "@mirrup/core/planning";

/** What a studio has at hand, remembered on the device from the last plan. */
export interface AtHand {
  readonly coaches: number;
  readonly helpers: readonly Helper[];
  /** Null where everybody has one. */
  readonly ropes: readonly RopeStock[] | null;
  readonly floor: Floor | null;
}

export const USUALLY_AT_HAND: AtHand = { coaches: 1, helpers: [], ropes: null, floor: null };

/** So many helpers; those there are keep what they may lead. */
export function helpersOf(many: number, before: readonly Helper[] = []): readonly Helper[] {
  return Array.from({ length: many }, (_, number) => before[number] ?? { mayLead: [] });
}

/** So many ropes that suit everybody; null where everybody has one. */
export function ropesOf(many: number | null): readonly RopeStock[] | null {
  return many === null ? null : [{ kind: null, lengthMm: null, many }];
}

export function manyRopes(stock: readonly RopeStock[] | null): number | null {
  return stock?.reduce((sum, one) => sum + one.many, 0) ?? null;
}

/** Whether ropes are only counted and not told apart. */
export function isPlain(stock: readonly RopeStock[] | null): boolean {
  return stock === null || stock.every((one) => one.kind === null && one.lengthMm === null);
}

const isCount = (value: unknown): value is number =>
  typeof value === "number" && Number.isInteger(value) && value >= 0 && value <= 500;

function readRope(value: unknown): readonly RopeStock[] {
  if (typeof value !== "object" || value === null) return [];
  const { kind, lengthMm, many } = value as Partial<Record<keyof RopeStock, unknown>>;
  if (!isCount(many)) return [];
  return [
    {
      kind: ROPE_KINDS.find((one) => one === kind) ?? null,
      lengthMm: typeof lengthMm === "number" ? lengthMm : null,
      many,
    },
  ];
}

function readHelper(value: unknown): Helper {
  const { mayLead } = (value ?? {}) as { readonly mayLead?: unknown };
  return { mayLead: Array.isArray(mayLead) ? FAMILIES.filter((one) => mayLead.includes(one)) : [] };
}

/** What a device remembers, also from an older version, which only counted helpers and ropes. */
export function readAtHand(text: string | undefined): AtHand {
  let value: unknown;
  try {
    value = JSON.parse(text ?? "null");
  } catch {
    return USUALLY_AT_HAND;
  }
  if (typeof value !== "object" || value === null) return USUALLY_AT_HAND;
  const { coaches, helpers, ropes, floor } = value as Partial<Record<keyof AtHand, unknown>>;
  const { widthMetres, lengthMetres } = (floor ?? {}) as Partial<Record<keyof Floor, unknown>>;
  return {
    coaches: isCount(coaches) ? coaches : USUALLY_AT_HAND.coaches,
    helpers: Array.isArray(helpers) ? helpers.map(readHelper) : helpersOf(isCount(helpers) ? helpers : 0),
    ropes: Array.isArray(ropes) ? ropes.flatMap(readRope) : ropesOf(isCount(ropes) ? ropes : null),
    floor:
      typeof widthMetres === "number" && typeof lengthMetres === "number"
        ? { widthMetres, lengthMetres }
        : null,
  };
}
