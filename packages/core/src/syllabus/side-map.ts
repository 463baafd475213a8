/** Values by subject and side, for what comes from outside a syllabus: combos, the wire, a hand's choice. */
import type { SideName } from "../sides.js";
import type { SubjectSide } from "./roles.js";

export class SideMap<Value> {
  private readonly bySubject = new Map<string, Map<SideName, Value>>();

  constructor(entries: Iterable<readonly [SubjectSide, Value]> = []) {
    for (const [side, value] of entries) this.set(side, value);
  }

  get({ subject, side }: SubjectSide): Value | undefined {
    return this.bySubject.get(subject)?.get(side);
  }

  set({ subject, side }: SubjectSide, value: Value): void {
    const sides = this.bySubject.get(subject) ?? new Map<SideName, Value>();
    this.bySubject.set(subject, sides);
    sides.set(side, value);
  }

  entries(): readonly (readonly [SubjectSide, Value])[] {
    return [...this.bySubject].flatMap(([subject, sides]) =>
      [...sides].map(([side, value]) => [{ subject, side }, value] as const),
    );
  }

  get size(): number {
    return [...this.bySubject.values()].reduce((sum, sides) => sum + sides.size, 0);
  }
}

/** A set of sides by subject and side. */
export class SideSet {
  private readonly sides: SideMap<true>;

  constructor(sides: Iterable<SubjectSide> = []) {
    this.sides = new SideMap([...sides].map((side) => [side, true] as const));
  }

  has(side: SubjectSide): boolean {
    return this.sides.get(side) === true;
  }

  get size(): number {
    return this.sides.size;
  }

  all(): readonly SubjectSide[] {
    return this.sides.entries().map(([side]) => side);
  }
}

export function isSameSide(one: SubjectSide, other: SubjectSide): boolean {
  return one.subject === other.subject && one.side === other.side;
}
