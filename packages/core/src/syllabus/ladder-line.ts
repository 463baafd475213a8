/**
 * Ladders as the handbook writes them: steps between commas, each a kind, then in any order its score in
 * backticks, what it attends to in parentheses, a dose or a falling range of spacings, the skills that it
 * is logged about after `@`, and a condition.
 *
 *     …, toe-catch `K!`, stop-in `K`, spaced `o*n S` 4-1, climb 5 → side-to-side
 *
 * `°` says that it is a piece of the skill, whatever stands in it. `…` takes the class's steps before its mark `‖`; `→kind` goes on with the class's steps from that kind.
 * In a score capital letters stand for what is made from the skill:
 *
 *   S itself · Z it, stopped at its end · T it, its last turn caught · M its mirror · K it up to its last
 *   turn that is not open · P its first beat that is not open · Q its side swings · C the step that carries
 *   it · b each of its beats · B, R, D boxer step, run step, double · n the bounces of a range
 */
import { DRILL_KINDS, isDrillKind, type DrillKind } from "./drill.js";
import { SKILL_CLASSES, type SkillClass } from "./skill.js";

export type StepCondition = "closed" | "arms-change";

export interface LadderStep {
  readonly kind: DrillKind;
  readonly template: string | null;
  readonly about: string | null;
  /** Repetitions, rungs or rounds; null for what the kind asks. */
  readonly dose: number | null;
  /** The spacings of a falling range, from the widest. */
  readonly spacings: readonly number[];
  /** The skills that it is logged about; empty where that is the skill itself. */
  readonly parts: readonly string[];
  /** Each need of the skill in turn. */
  readonly ofNeeds: boolean;
  readonly condition: StepCondition | null;
  /** A piece of the skill, whatever stands in its score. */
  readonly isPiece: boolean;
}

/** Steps of a class before its mark, and after it. */
export interface ClassLadder {
  readonly first: readonly LadderStep[];
  readonly then: readonly LadderStep[];
}

export interface LadderTexts {
  readonly classes: Readonly<Record<SkillClass, string>>;
  readonly skills: Readonly<Record<string, string>>;
}

/** Every skill's steps, worked out from its own line and its class's. */
export interface LadderLines {
  readonly classes: Readonly<Record<SkillClass, ClassLadder>>;
  readonly skills: ReadonlyMap<string, readonly LadderStep[]>;
}

const WORD =
  /`([^`]*)`|\(([^)]*)\)|@([a-z0-9-]+)|(\d+)-(\d+)|(\d+)|(needs)|(°)|if (closed|arms change)|(\S+)/gy;

function stepOf(text: string): LadderStep {
  const [, kind = "", rest = ""] = /^([a-z-]+)\s*(.*)$/s.exec(text) ?? [];
  if (!isDrillKind(kind)) {
    throw new SyntaxError(`"${text}" begins with no kind of drill; take one of ${DRILL_KINDS.join(", ")}.`);
  }
  let template: string | null = null;
  let about: string | null = null;
  let dose: number | null = null;
  let spacings: readonly number[] = [];
  const parts: string[] = [];
  let ofNeeds = false;
  let condition: StepCondition | null = null;
  let isPiece = false;
  for (const [, score, attends, part, from, to, count, needs, piece, when, unknown] of words(rest)) {
    if (score !== undefined) template = score;
    else if (attends !== undefined) about = attends;
    else if (part !== undefined) parts.push(part);
    else if (from !== undefined && to !== undefined) spacings = falling(Number(from), Number(to));
    else if (count !== undefined) dose = Number(count);
    else if (needs !== undefined) ofNeeds = true;
    else if (piece !== undefined) isPiece = true;
    else if (when !== undefined) condition = when === "closed" ? "closed" : "arms-change";
    else throw new SyntaxError(`"${text}": "${unknown ?? ""}" is nothing that a step can have.`);
  }
  return { kind, template, about, dose, spacings, parts, ofNeeds, condition, isPiece };
}

function* words(text: string): Generator<RegExpExecArray> {
  let at = 0;
  while (at < text.length) {
    if (text[at] === " ") {
      at += 1;
      continue;
    }
    WORD.lastIndex = at;
    const found = WORD.exec(text);
    if (found === null) return;
    yield found;
    at = WORD.lastIndex;
  }
}

function falling(from: number, to: number): readonly number[] {
  return Array.from({ length: Math.max(0, from - to + 1) }, (_, place) => from - place);
}

/** The steps of a line: what stands between commas that are in no score and no parentheses. */
function piecesOf(text: string): readonly string[] {
  const pieces = text.match(/(?:`[^`]*`|\([^)]*\)|[^,`(])+/g) ?? [];
  return pieces.map((piece) => piece.trim()).filter((piece) => piece !== "");
}

/** Reads a class's line. Throws a `SyntaxError` that quotes what does not fit. */
export function parseClassLadder(text: string): ClassLadder {
  const [first = "", then = ""] = text.split("‖");
  return { first: piecesOf(first).map(stepOf), then: piecesOf(then).map(stepOf) };
}

/** Reads a skill's line over its class's. Throws a `SyntaxError` that quotes what does not fit. */
export function parseSkillLadder(text: string, ofClass: ClassLadder): readonly LadderStep[] {
  const [own = "", from] = text.split("→").map((part) => part.trim());
  const all = [...ofClass.first, ...ofClass.then];
  const steps = piecesOf(own).flatMap((piece) => (piece === "…" ? ofClass.first : [stepOf(piece)]));
  if (from === undefined) return steps;
  const place = all.findIndex((step) => step.kind === from);
  if (place < 0) throw new SyntaxError(`"${text}": the class's ladder has no ${from} to go on from.`);
  return [...steps, ...all.slice(place)];
}

/** Reads all of them; `classOf` answers a skill's class, undefined for one that the catalogue has not. */
export function parseLadders(
  { classes, skills }: LadderTexts,
  classOf: (skill: string) => SkillClass | undefined,
): LadderLines {
  const ofClasses = Object.fromEntries(
    SKILL_CLASSES.map((skillClass) => [skillClass, parseClassLadder(classes[skillClass])]),
  ) as Record<SkillClass, ClassLadder>;
  const ofSkills = Object.entries(skills).map(([id, text]) => {
    const skillClass = classOf(id);
    if (skillClass === undefined) throw new SyntaxError(`"${id}" has a ladder and is no skill.`);
    return [id, parseSkillLadder(text, ofClasses[skillClass])] as const;
  });
  return { classes: ofClasses, skills: new Map(ofSkills) };
}
