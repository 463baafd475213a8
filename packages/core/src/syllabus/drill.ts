/**
 * The drill is the unit (record.md): one value that floor, next, plan, class, home and log all take.
 * What holds for a kind stands in its row below and nowhere else; a drill adds its score and its dose.
 */
import { parseScore } from "../rope/parse.js";
import { DRILL_KINDS, type DrillKind } from "./drill-kind.js";
import type { Gate } from "./gates.js";

export { DRILL_KINDS, type DrillKind };

/**
 * How a kind is counted: so many tries, each right or not; so many in time, a miss costing only
 * itself; in a row; rounds in a row; rungs; against a clock.
 */
export type Measure = "tries" | "in-time" | "in-a-row" | "rounds" | "rungs" | "clock";

/** How tries are passed: so many of so many. */
export interface Pass {
  readonly clean: number;
  readonly of: number;
}

export interface DrillRow {
  readonly measure: Measure;
  /** How much is asked where nothing else says so; `gate` for what the side's gate asks. */
  readonly dose: number | "gate";
  /** Null where the dose itself is the aim. */
  readonly pass: Pass | null;
  /** The share of the whole skill's misses that the kind leaves (record.md, Chances). */
  readonly share: number;
  /** Whether a set can be evidence for the chance, the gate and a review; else it passes its rung alone. */
  readonly isEvidence: boolean;
  /** Whether one try runs into the next, so that the score has to follow itself. */
  readonly loops: boolean;
  /** Which gates a set can meet, where it holds the whole. */
  readonly meets: readonly Gate["kind"][];
  /** Whether the try is jumped, over a rope or without. */
  readonly lands: boolean;
  /** Seconds to stand ready for the next try; 0 where one runs into the next. */
  readonly again: number;
  /** Whether there is a rope in it. */
  readonly hasRope: boolean;
  /** Whether a set can be a review: the whole of it, jumped through. */
  readonly reviews: boolean;
}

const TRIED = {
  measure: "tries",
  isEvidence: true,
  loops: false,
  lands: true,
  again: 0,
  hasRope: true,
  reviews: true,
} as const;
/** Done to learn the shape: of its rung alone. */
const SHAPE = { ...TRIED, isEvidence: false, meets: [], lands: false, reviews: false } as const;

/** One row a kind (drills.md, 1 Checks and cues by drill). */
export const DRILL_ROWS: Readonly<Record<DrillKind, DrillRow>> = {
  watch: { ...SHAPE, again: 8, dose: 2, pass: { clean: 2, of: 2 }, share: 0.1, hasRope: false },
  shadow: { ...SHAPE, again: 1, dose: 10, pass: { clean: 8, of: 10 }, share: 0.1, hasRope: false },
  "tempo-shadow": { ...SHAPE, dose: 8, pass: { clean: 7, of: 8 }, share: 0.1, hasRope: false },
  "air-change": {
    ...SHAPE,
    again: 2,
    dose: 10,
    pass: { clean: 8, of: 10 },
    share: 0.15,
    lands: true,
    hasRope: false,
  },
  "free-swing": {
    ...TRIED,
    dose: 10,
    pass: { clean: 8, of: 10 },
    share: 0.5,
    loops: true,
    meets: [],
    lands: false,
  },
  "side-rope": { ...SHAPE, measure: "in-time", dose: 40, pass: { clean: 36, of: 40 }, share: 0.1 },
  "toe-catch": { ...SHAPE, again: 3, dose: 5, pass: { clean: 4, of: 5 }, share: 0.35 },
  apart: { ...TRIED, again: 1, dose: 4, pass: { clean: 3, of: 4 }, share: 0.4, meets: [], reviews: false },
  "stop-in": {
    ...TRIED,
    again: 3,
    dose: 5,
    pass: { clean: 3, of: 5 },
    share: 0.5,
    meets: [],
    reviews: false,
  },
  "one-stop": { ...TRIED, again: 3, dose: 5, pass: { clean: 3, of: 5 }, share: 0.55, meets: ["clean"] },
  merge: { ...TRIED, again: 2, dose: 5, pass: { clean: 3, of: 5 }, share: 0.7, meets: [] },
  "from-rest": { ...TRIED, again: 4, dose: 5, pass: { clean: 3, of: 5 }, share: 0.75, meets: ["clean"] },
  "high-part": { ...TRIED, dose: 8, pass: { clean: 6, of: 8 }, share: 1, meets: [] },
  "part-counts": { ...TRIED, again: 2, dose: 3, pass: { clean: 1, of: 3 }, share: 1, meets: [] },
  "one-out": { ...TRIED, again: 2, dose: 5, pass: { clean: 4, of: 5 }, share: 0.9, meets: ["clean"] },
  spaced: { ...TRIED, dose: 5, pass: { clean: 4, of: 5 }, share: 0.9, loops: true, meets: [] },
  link: { ...TRIED, again: 1, dose: 4, pass: { clean: 3, of: 4 }, share: 0.9, meets: [] },
  rounds: { ...TRIED, measure: "rounds", dose: 3, pass: null, share: 1, loops: true, meets: [] },
  tens: { ...TRIED, measure: "rounds", dose: 5, pass: null, share: 1, loops: true, meets: [] },
  "side-to-side": { ...TRIED, measure: "rounds", dose: 3, pass: null, share: 1, loops: true, meets: [] },
  whole: { ...TRIED, again: 3, dose: 5, pass: { clean: 4, of: 5 }, share: 1, meets: ["clean"] },
  "growing-climb": { ...TRIED, measure: "rungs", dose: 5, pass: null, share: 1, loops: true, meets: [] },
  climb: {
    ...TRIED,
    measure: "rungs",
    dose: 5,
    pass: null,
    share: 1,
    loops: true,
    meets: ["streak", "clean"],
  },
  streak: {
    ...TRIED,
    measure: "in-a-row",
    dose: "gate",
    pass: null,
    share: 1,
    loops: true,
    meets: ["streak", "clean"],
  },
  faster: { ...TRIED, dose: 8, pass: { clean: 7, of: 8 }, share: 1, loops: true, meets: [] },
  hold: {
    ...TRIED,
    measure: "clock",
    dose: "gate",
    pass: null,
    share: 1,
    loops: true,
    meets: ["streak", "hold", "clean"],
  },
  count: {
    ...TRIED,
    measure: "clock",
    dose: "gate",
    pass: null,
    share: 1,
    loops: true,
    meets: ["streak", "count"],
  },
  "new-step": { ...TRIED, dose: 8, pass: { clean: 6, of: 8 }, share: 1, loops: true, meets: [] },
  "other-side": { ...TRIED, again: 2, dose: 5, pass: { clean: 4, of: 5 }, share: 0.9, meets: ["clean"] },
};

/** What a miss does in a climb: the instructor's choice. */
export const MISS_RULES = ["repeat", "drop", "restart", "stop"] as const;
export type MissRule = (typeof MISS_RULES)[number];

export const TRY_KINDS = [
  "watch",
  "shadow",
  "air-change",
  "free-swing",
  "toe-catch",
  "apart",
  "stop-in",
  "one-stop",
  "merge",
  "from-rest",
  "high-part",
  "part-counts",
  "one-out",
  "whole",
  "new-step",
  "other-side",
] as const satisfies readonly DrillKind[];
export type TryKind = (typeof TRY_KINDS)[number];
/** Tries at a share of the skill's own tempo. */
export const TEMPO_KINDS = ["tempo-shadow", "faster"] as const satisfies readonly DrillKind[];
export type TempoKind = (typeof TEMPO_KINDS)[number];
export const ROUND_KINDS = ["rounds", "tens", "side-to-side"] as const satisfies readonly DrillKind[];
export type RoundKind = (typeof ROUND_KINDS)[number];
export const CLIMB_KINDS = ["climb", "growing-climb"] as const satisfies readonly DrillKind[];
export type ClimbKind = (typeof CLIMB_KINDS)[number];

interface Scored {
  /** One try in canonical text; left out where it is the skill itself, or has no rope. */
  readonly score?: string;
}

export type Drill =
  | ({
      readonly kind: TryKind;
      readonly count: number;
      /** So many of them have to be clean, where that is not what the kind asks. */
      readonly pass?: number;
      /** What to attend to, where the ladder has the kind twice. */
      readonly about?: string;
    } & Scored)
  | ({ readonly kind: TempoKind; readonly count: number; readonly tempoShare: number } & Scored)
  | ({ readonly kind: "side-rope"; readonly count: number } & Scored)
  | ({ readonly kind: "spaced"; readonly count: number; readonly spacing: number } & Scored)
  /** Falls through its spacings, 4, 2, 1 and 0, within one set. */
  | ({ readonly kind: "link"; readonly count: number; readonly spacing: number } & Scored)
  | ({ readonly kind: RoundKind; readonly rounds: number } & Scored)
  | ({ readonly kind: ClimbKind; readonly top: number; readonly onMiss: MissRule } & Scored)
  | ({
      readonly kind: "streak";
      readonly count: number;
      /** Once the count is reached it goes on until a miss, or up to here: a gate can be met by a good day. */
      readonly upTo?: number;
      readonly tempo?: number;
    } & Scored)
  | ({ readonly kind: "hold"; readonly seconds: number; readonly tempo?: number } & Scored)
  | ({ readonly kind: "count"; readonly count: number; readonly seconds: number } & Scored);

/** A drill as it comes over the wire or out of an old log: whatever some device once wrote. */
export interface LoggedDrill {
  readonly kind: string;
  readonly score?: string;
  readonly count?: number;
  readonly pass?: number;
  readonly about?: string;
  readonly top?: number;
  readonly onMiss?: string;
  readonly upTo?: number;
  /** How a growing climb was written once. */
  readonly growing?: boolean;
  readonly seconds?: number;
  readonly spacing?: number;
  readonly rounds?: number;
  /** Beats a minute. */
  readonly tempo?: number;
  /** Of the skill's own tempo. */
  readonly tempoShare?: number;
}

export function isDrillKind(kind: string): kind is DrillKind {
  return (DRILL_KINDS as readonly string[]).includes(kind);
}

function isOneOf<Kind extends DrillKind>(kinds: readonly Kind[], kind: DrillKind): kind is Kind {
  return (kinds as readonly DrillKind[]).includes(kind);
}

export function isTryKind(kind: DrillKind): kind is TryKind {
  return isOneOf(TRY_KINDS, kind);
}

export function isRoundKind(kind: DrillKind): kind is RoundKind {
  return isOneOf(ROUND_KINDS, kind);
}

export function isClimbKind(kind: DrillKind): kind is ClimbKind {
  return isOneOf(CLIMB_KINDS, kind);
}

/** A step faster than before, where none is written. */
const FASTER_SHARE = 1.05;
/** What is asked where neither the drill nor its kind says it. */
const USUAL = { inARow: 10, seconds: 30, spacing: 4, top: 5 } as const;

/**
 * The drill that was written, with what its kind asks where that was left out; null for an unknown kind
 * and for a score that does not parse.
 */
export function parseDrill(written: LoggedDrill): Drill | null {
  const { pass, about, score, tempo } = written;
  const kind = written.kind === "climb" && written.growing === true ? "growing-climb" : written.kind;
  if (!isDrillKind(kind)) return null;
  if (score !== undefined && !parseScore(score).ok) return null;
  const { dose } = DRILL_ROWS[kind];
  const count = written.count ?? (dose === "gate" ? USUAL.inARow : dose);
  const { seconds = USUAL.seconds, spacing = USUAL.spacing, rounds = count, top = USUAL.top } = written;
  const scored = score === undefined ? {} : { score };
  const tempoed = tempo === undefined ? {} : { tempo };
  const onMiss = MISS_RULES.find((rule) => rule === written.onMiss) ?? "repeat";
  if (isTryKind(kind)) {
    const more = { ...(pass === undefined ? {} : { pass }), ...(about === undefined ? {} : { about }) };
    return { kind, count, ...more, ...scored };
  }
  if (isRoundKind(kind)) return { kind, rounds, ...scored };
  if (isClimbKind(kind)) return { kind, top, onMiss, ...scored };
  switch (kind) {
    case "tempo-shadow":
    case "faster":
      return { kind, count, tempoShare: written.tempoShare ?? FASTER_SHARE, ...scored };
    case "streak":
      return {
        kind,
        count,
        ...(written.upTo === undefined ? {} : { upTo: written.upTo }),
        ...tempoed,
        ...scored,
      };
    case "side-rope":
      return { kind, count, ...scored };
    case "spaced":
    case "link":
      return { kind, count, spacing, ...scored };
    case "hold":
      return { kind, seconds, ...tempoed, ...scored };
    case "count":
      return { kind, seconds, count, ...scored };
  }
}

/** How the drill's tries are passed; null where its dose itself is the aim. */
export function passOf(drill: Drill): Pass | null {
  const { pass } = DRILL_ROWS[drill.kind];
  if (pass === null || !("count" in drill)) return null;
  // So many goes at a part, and one that comes is enough however many there are.
  if (drill.kind === "part-counts") return { clean: 1, of: drill.count };
  const asked = "pass" in drill ? drill.pass : undefined;
  return { clean: asked ?? Math.ceil((pass.clean * drill.count) / pass.of), of: drill.count };
}

/** What tells what is done in one drill from another: the kind, what it attends to, the score; not its dose. */
export function drillKey(drill: Drill): string {
  const about = "about" in drill && drill.about !== undefined ? `${drill.kind} (${drill.about})` : drill.kind;
  return drill.score === undefined ? about : `${about} ${drill.score}`;
}

/** The number that is asked of a drill: rungs, repetitions, tries, rounds, or seconds for a hold. */
export function doseOf(drill: Drill): number {
  if ("top" in drill) return drill.top;
  if ("rounds" in drill) return drill.rounds;
  return drill.kind === "hold" ? drill.seconds : drill.count;
}

/** The same drill with another number. */
export function withDose(drill: Drill, dose: number): Drill {
  if ("top" in drill) return { ...drill, top: dose };
  if ("rounds" in drill) return { ...drill, rounds: dose };
  return drill.kind === "hold" ? { ...drill, seconds: dose } : { ...drill, count: dose };
}

/** The drill that a gate itself is: what meets it when it is passed. */
export function gateDrill(gate: Gate): Drill {
  switch (gate.kind) {
    case "streak":
      return { kind: "streak", count: gate.count };
    case "hold":
      return { kind: "hold", seconds: gate.seconds };
    case "count":
      return { kind: "count", seconds: gate.seconds, count: gate.count };
    case "clean":
      return { kind: "one-out", count: gate.of, pass: gate.clean };
  }
}
