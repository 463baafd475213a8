/**
 * Tricks one hand move from another: one turn of its score with one hand moved once, legal as a
 * whole and in a row. New tricks from the model alone, whether a catalogue names them or not.
 */
import { ARMS, type Arms } from "../rope/arms.js";
import { linkCost } from "../rope/cost.js";
import { checkScore } from "../rope/check.js";
import { measureScore } from "../rope/measure.js";
import { printScore } from "../rope/print.js";
import { expandBeats, type Beat, type Item, type Score } from "../rope/score.js";
import { traceBeats } from "../rope/trace.js";
import { skillsByScore, type Catalogue } from "../syllabus/catalogue.js";

/** A link between two turns, and whether it is made in the air. */
export interface NeighbourLink {
  readonly from: Arms;
  readonly to: Arms;
  readonly inAir: boolean;
}

export interface Neighbour {
  readonly score: string;
  /** Skills of the catalogue that it is; none for a move without a name. */
  readonly skills: readonly string[];
  /** Its links that are in no score that the student knows. */
  readonly newLinks: readonly NeighbourLink[];
  readonly handMoves: number;
}

function linksOf(score: Score): readonly NeighbourLink[] {
  // Twice through, so that the link from the end to the beginning is one of them.
  const beats = expandBeats(score);
  return traceBeats([...beats, ...beats], score.direction, "r").beats.flatMap(({ turns }) =>
    turns.map(({ from, arms }, place) => ({ from, to: arms, inAir: place > 0 })),
  );
}

function linkKey({ from, to, inAir }: NeighbourLink): string {
  return `${from} ${to} ${inAir ? "air" : ""}`;
}

function withTurn(beats: readonly Beat[], place: number, turn: number, arms: Beat["turns"][number]["arms"]) {
  return beats.map((beat, at): Beat => {
    if (at !== place) return beat;
    const turns = beat.turns.map((one, index) => (index === turn ? { ...one, arms } : one));
    return { ...beat, turns };
  });
}

/**
 * The neighbours of a score, those with the fewest new links first; `known` are scores that the
 * student has cleared. O(turns × arms) checks.
 */
export function neighboursOf(
  catalogue: Catalogue,
  score: Score,
  known: readonly Score[],
): readonly Neighbour[] {
  const beats = expandBeats(score);
  const traced = traceBeats(beats, score.direction, "r").beats;
  const shown = new Set(known.flatMap(linksOf).map(linkKey));
  const own = printScore(score);
  const found = new Map<string, Neighbour>();
  traced.forEach(({ turns }, place) => {
    turns.forEach(({ arms: now }, turn) => {
      for (const arms of ARMS) {
        if (linkCost(now, arms) !== 1) continue;
        const items = withTurn(beats, place, turn, arms).map((unit): Item => ({ unit, count: null }));
        const made: Score = { ...score, items };
        if (checkScore(made, { loop: true }).length > 0) continue;
        const text = printScore(made);
        if (text === own || found.has(text)) continue;
        const links = linksOf(made);
        const { handMoves } = measureScore(made);
        const newLinks = [...new Map(links.map((link) => [linkKey(link), link])).values()].filter(
          (link) => !shown.has(linkKey(link)),
        );
        const skills = skillsByScore(catalogue, made).map((skill) => skill.id);
        found.set(text, { score: text, skills, newLinks, handMoves });
      }
    });
  });
  return [...found.values()].sort(
    (one, other) => one.newLinks.length - other.newLinks.length || one.handMoves - other.handMoves,
  );
}
