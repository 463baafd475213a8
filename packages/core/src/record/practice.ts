/**
 * A studio's log read as what it tells of the learner model: before every set of the whole what was
 * believed, and what came; and for every side that was begun the way from its first set to its gate.
 */
import { compareLines, type Lines } from "../log/line.js";
import { missCount } from "../log/set.js";
import { DRILL_ROWS, doseOf, type Drill } from "../syllabus/drill.js";
import type { Side } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";
import { beliefOf } from "./belief.js";
import type { Belief } from "./chance.js";
import { addEntry, NO_FACTS, type SideEntry, type SideFacts } from "./facts.js";
import type { LearnerModel } from "./model.js";
import { isPassed } from "./passing.js";
import { entriesOfDecision, entriesOfSet, type Owner, type OwnedEntry, type Reader } from "./fold.js";

/** A set of the whole: what was believed of its next try, and what came. */
export interface Tried {
  readonly of: Side;
  readonly drill: Drill;
  /** How often the side stands in one try. */
  readonly repetitions: number;
  readonly clean: number;
  readonly missed: number;
  readonly before: Belief;
  /** Whether it came as it is said, at the first go; null where the log does not tell. */
  readonly came: boolean | null;
  /** Whether nothing was known of the side: no set of it or of the other one, no placement. */
  readonly isFirst: boolean;
}

/** A side from its first set on. */
export interface Begun {
  readonly of: Side;
  /** What was believed after the first set. */
  readonly belief: Belief;
  /** Tries of the whole since then: all that its gate took, or so many up to now. */
  readonly tries: number;
  readonly isCleared: boolean;
}

export interface Practice {
  readonly tried: readonly Tried[];
  readonly begun: readonly Begun[];
}

type SetEntry = Extract<SideEntry, { readonly type: "set" }>;

/** Tries are passed or not; in a row it is the first go that counts, where the places of the misses are known. */
function cameOf(set: SetEntry): boolean | null {
  const { drill, misses, clean } = set;
  switch (DRILL_ROWS[drill.kind].measure) {
    case "tries":
      return isPassed(drill, set);
    case "in-a-row": {
      const places = misses.flatMap(({ position }) => position ?? []);
      if (places.length < misses.length) return null;
      return Math.min(clean, ...places.map((place) => place - 1)) >= doseOf(drill);
    }
    default:
      return null;
  }
}

const isSide = (owner: Owner): owner is Side => "ladder" in owner;

/** One student's log, in its order; O(n log n) lines. */
class Reading {
  readonly tried: Tried[] = [];
  private readonly facts = new Map<Side, SideFacts>();
  private readonly ways = new Map<Side, Begun>();

  constructor(private readonly reader: Reader) {}

  private factsOf(side: Side | null): SideFacts | null {
    return side === null ? null : (this.facts.get(side) ?? NO_FACTS);
  }

  private belief(of: Side, at: number): Belief {
    const own = this.factsOf(of) ?? NO_FACTS;
    return beliefOf(of.skill.skillClass, own, this.factsOf(of.other), at, this.reader.model);
  }

  private isNew(of: Side): boolean {
    const known = [of, ...(of.other === null ? [] : [of.other])].flatMap((one) => this.facts.get(one) ?? []);
    return known.every(({ sets, placed, cleared }) => sets === 0 && placed === null && cleared === null);
  }

  add({ owner, entry }: OwnedEntry): void {
    if (!isSide(owner)) return;
    const isTry = entry.type === "set" && entry.holds && entry.isAlone === undefined;
    if (isTry) this.tried.push(this.triedOf(owner, entry));
    const before = this.facts.get(owner);
    if (before === undefined && entry.type === "kin") return;
    const facts = addEntry(before ?? NO_FACTS, entry, owner, this.reader.model);
    this.facts.set(owner, facts);
    if (isTry) this.follow(owner, entry, facts);
  }

  private triedOf(of: Side, set: SetEntry): Tried {
    const { drill, clean, misses, repetitions, at } = set;
    return {
      ...{ of, drill, repetitions, clean: clean * repetitions, missed: missCount(misses) },
      ...{ before: this.belief(of, at), came: cameOf(set), isFirst: this.isNew(of) },
    };
  }

  private follow(of: Side, { clean, misses, at }: SetEntry, facts: SideFacts): void {
    const way = this.ways.get(of);
    const isCleared = facts.cleared !== null;
    if (way === undefined) {
      if (!isCleared) this.ways.set(of, { of, belief: this.belief(of, at), tries: 0, isCleared });
    } else if (!way.isCleared) {
      this.ways.set(of, { ...way, tries: way.tries + clean + missCount(misses), isCleared });
    }
  }

  get begun(): readonly Begun[] {
    return [...this.ways.values()];
  }
}

/** One student's log, with what they are taught. */
export interface StudentLog extends Lines {
  readonly syllabus: Syllabus;
}

/** What the logs of a studio's students tell, each student's by itself, as they are read under a model. */
export function practiceOf(logs: readonly StudentLog[], model: LearnerModel): Practice {
  const read = logs.map(({ sets, decisions, syllabus }) => {
    const reader: Reader = { syllabus, model };
    const reading = new Reading(reader);
    const entries = [
      ...sets.flatMap((set) => entriesOfSet(set, reader)),
      ...decisions.flatMap((line) => entriesOfDecision(line, reader)),
    ];
    for (const one of entries.sort((a, b) => compareLines(a.entry, b.entry))) reading.add(one);
    return reading;
  });
  return { tried: read.flatMap((one) => one.tried), begun: read.flatMap((one) => one.begun) };
}
