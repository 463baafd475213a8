/** A skill of the studio's own while it is being written: what its score says of it, until somebody says otherwise. */
import { catalogueWith } from "@mirrup/catalogue";
import {
  checkScore,
  NO_OVERLAY,
  openSides,
  parseNeeds,
  parseScore,
  printNeeds,
  skillOf,
  type Catalogue,
  type HandDrill,
  type CatalogueFault,
  type OverlayEntry,
  type Score,
  type Skill,
  type SkillClass,
  type SubjectSide,
} from "@mirrup/core";
import { classOfScore, hasSides, proposedNeeds, type ProposalReason } from "@mirrup/core/combos";
import { catalogue, ownCatalogue } from "../app/catalogue.js";
import { syllabus } from "../app/syllabus.js";
import { linesOf, NO_OURS, oursEntry, oursOf, type Ours } from "./ours.js";

export type OwnEntry = Extract<OverlayEntry, { readonly kind: "own" }>;

/** What was typed; null where the proposal stands. */
export interface Draft extends Ours {
  readonly name: string;
  /** Empty for what lies outside of the rope model. */
  readonly score: string;
  readonly sides: "one" | "two" | null;
  readonly class: SkillClass | null;
  /** As the handbook writes them. */
  readonly needs: string | null;
  /** A line each. */
  readonly cues: string | null;
  readonly look: string;
  /** Of one without a score, by hand. */
  readonly ladder: readonly HandDrill[];
}

export const EMPTY_DRAFT: Draft = {
  ...NO_OURS,
  ...{ name: "", score: "", sides: null, class: null, needs: null, cues: null, look: "", ladder: [] },
};

/** What stands in a draft once its proposals are taken. */
export interface Proposed {
  readonly sides: "one" | "two";
  readonly class: SkillClass;
  readonly strand: string;
  readonly needs: string;
  readonly cues: string;
  readonly faults: Skill["faults"];
  /** Why each need is proposed. */
  readonly reasons: ReadonlyMap<string, ProposalReason>;
}

const MOST_FAULTS = 6;
const LEAST_CUES = 2;
const MOST_CUES = 3;

/** The score of a text that can be jumped again and again; null for any other. */
export function jumpable(text: string): Score | null {
  const parsed = parseScore(text);
  if (!parsed.ok || text.trim() === "") return null;
  return checkScore(parsed.score, { loop: true }).length === 0 ? parsed.score : null;
}

/** Of what is needed one cue each, or of what is needed most as many as it takes. */
function cuesFrom(needed: readonly Skill[]): readonly string[] {
  const firsts = needed.flatMap(({ cues }) => cues.slice(0, 1));
  const rest = needed.flatMap(({ cues }) => cues.slice(1));
  return [...firsts, ...rest].slice(0, Math.min(MOST_CUES, Math.max(LEAST_CUES, firsts.length)));
}

function proposedOf(text: string, except: string | null): Proposed {
  const of = catalogue();
  const score = jumpable(text);
  const found = score === null ? [] : proposedNeeds(syllabus(), score, except);
  const needed = found
    .map(({ term }) => skillOf(of, term.skill))
    .sort((one, other) => other.level - one.level);
  const hardest = needed[0]?.id;
  const strand = of.strands.find(({ skills }) => hardest !== undefined && skills.includes(hardest));
  return {
    sides: score !== null && hasSides(score) ? "two" : "one",
    class: score === null ? "ground" : classOfScore(score),
    strand: strand?.id ?? of.strands[0]?.id ?? "",
    needs: printNeeds({ needs: found.map(({ term }) => ({ anyOf: [term] })), helps: [] }),
    cues: cuesFrom(needed).join("\n"),
    faults: [...new Set(needed.flatMap(({ faults }) => faults))].slice(0, MOST_FAULTS),
    reasons: new Map(found.map(({ term, reason }) => [term.skill, reason])),
  };
}

/** A draft with what is proposed in the place of what nobody typed, and the entry that it comes to. */
export function settled(draft: Draft, except: string | null = null): { entry: OwnEntry; proposed: Proposed } {
  const proposed = proposedOf(draft.score, except);
  const entry: OwnEntry = {
    kind: "own",
    strand: draft.strand ?? proposed.strand,
    name: draft.name.trim(),
    sides: draft.sides ?? proposed.sides,
    score: draft.score.trim() === "" ? null : draft.score.trim(),
    needs: draft.needs ?? proposed.needs,
    class: draft.class ?? proposed.class,
    cues: linesOf(draft.cues ?? proposed.cues, "\n"),
    faults: draft.faults ?? proposed.faults,
    look: draft.look.trim(),
    ...(draft.score.trim() === "" && draft.ladder.length > 0 ? { ladder: draft.ladder } : {}),
    ...oursEntry(draft),
  };
  return { entry, proposed };
}

/** A skill that is kept as a draft of itself: nothing of it is proposed anew. */
export function draftOf(entry: OwnEntry): Draft {
  const { name, score, sides, needs, cues, look, ladder = [] } = entry;
  return {
    ...oursOf(entry),
    ...{ name, score: score ?? "", sides, class: entry.class, needs, cues: cues.join("\n"), look, ladder },
  };
}

export type Preview =
  /** No skill where it is hidden. */
  | { readonly ok: true; readonly catalogue: Catalogue; readonly skill: Skill | null }
  | { readonly ok: false; readonly faults: readonly CatalogueFault[] };

/** The catalogue as it would be with an entry of this skill; or what keeps it from being one. */
export function previewOf(id: string, entry: OverlayEntry): Preview {
  const own = ownCatalogue() ?? NO_OVERLAY;
  const result = catalogueWith({ edition: own.edition + 1, entries: { ...own.entries, [id]: entry } });
  if (!result.ok) return { ok: false, faults: result.faults };
  return { ok: true, catalogue: result.catalogue, skill: result.catalogue.skills.get(id) ?? null };
}

/** Needs of a text as it is typed; none where it does not parse, which is told of elsewhere. */
export function needsIn(text: string): ReturnType<typeof parseNeeds> {
  try {
    return parseNeeds(text);
  } catch {
    return { needs: [], helps: [] };
  }
}

/** Whether a side of the skill is open to somebody, of whom it is known which sides they have. */
export function openTo(
  { catalogue: of, skill }: Extract<Preview, { readonly ok: true }>,
  isMet: (side: SubjectSide) => boolean,
): boolean {
  return skill !== null && openSides(of, skill, isMet).length > 0;
}
