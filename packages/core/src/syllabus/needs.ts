/**
 * What a skill needs, as the handbook writes it: `single-leg-hop other; boxer-step / run-step;
 * cross ≥ 10; helps: side-swing`. Needs are and-ed by `;`, alternatives of one need stand between
 * `/`, `≥ n` asks for n in a row whatever the school, and `both` or `other` name the sides.
 */
export type NeedSides = "same" | "other" | "both";

export interface NeedTerm {
  readonly skill: string;
  /** n in a row asked whatever the school, or null for the skill's own gate. */
  readonly atLeast: number | null;
  readonly sides: NeedSides;
}

/** One need: any one of its terms is enough. */
export interface Need {
  readonly anyOf: readonly NeedTerm[];
}

export interface Needs {
  readonly needs: readonly Need[];
  /** Skills that help but never lock. */
  readonly helps: readonly string[];
}

const TERM = /^([a-z][a-z0-9-]*|own:[\da-f-]{36})(?:\s+(both|other))?(?:\s*≥\s*([1-9]\d{0,3}))?$/;

function parseTerm(text: string): NeedTerm {
  const match = TERM.exec(text.trim());
  if (match === null) {
    throw new SyntaxError(
      `"${text.trim()}" is not a need; write a skill's id, then "both" or "other", then "≥ n".`,
    );
  }
  const [, skill = "", sides, atLeast] = match;
  return {
    skill,
    atLeast: atLeast === undefined ? null : Number(atLeast),
    sides: sides === "both" || sides === "other" ? sides : "same",
  };
}

function printTerm({ skill, atLeast, sides }: NeedTerm): string {
  return `${skill}${sides === "same" ? "" : ` ${sides}`}${atLeast === null ? "" : ` ≥ ${atLeast}`}`;
}

/** Writes needs as the handbook does; what is read of it is the same. */
export function printNeeds({ needs, helps }: Needs): string {
  const asked = needs.map(({ anyOf }) => anyOf.map(printTerm).join(" / "));
  return [...asked, ...(helps.length === 0 ? [] : [`helps: ${helps.join(", ")}`])].join("; ");
}

/** Reads needs as the handbook writes them. Throws a `SyntaxError` that quotes what does not fit. */
export function parseNeeds(text: string): Needs {
  const needs: Need[] = [];
  const helps: string[] = [];
  for (const part of text.split(";").map((piece) => piece.trim())) {
    if (part === "") continue;
    if (part.startsWith("helps:")) {
      const names = part.slice("helps:".length).split(",");
      helps.push(...names.map((name) => parseTerm(name).skill));
    } else {
      needs.push({ anyOf: part.split("/").map(parseTerm) });
    }
  }
  return { needs, helps };
}
