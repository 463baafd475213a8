import { describe, expect, it } from "@jest/globals";
import { parseNeeds, printNeeds, skillOf, syllabusOf } from "@mirrup/core";
import { classOfScore, hasSides, proposedNeeds } from "@mirrup/core/combos";
import { CATALOGUE, SCHOOLS } from "./index.js";

const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
const SCORED = [...CATALOGUE.skills.values()].flatMap((skill) =>
  skill.score === null ? [] : [{ skill, score: skill.score }],
);

function share<T>(all: readonly T[], test: (one: T) => boolean): number {
  return all.filter(test).length / all.length;
}

/** A skill and all that it asks for, and what that asks for. */
function withNeeds(subject: string): readonly string[] {
  const { needs } = skillOf(CATALOGUE, subject);
  return [subject, ...needs.flatMap(({ anyOf }) => anyOf.flatMap((term) => withNeeds(term.skill)))];
}

describe("what is proposed of a score, held against what the catalogue's authors wrote", () => {
  it("is their class, nearly always", () => {
    expect(share(SCORED, ({ skill, score }) => classOfScore(score) === skill.skillClass)).toBeGreaterThan(
      0.9,
    );
  });

  it("is whether it has sides, nearly always", () => {
    expect(share(SCORED, ({ skill, score }) => hasSides(score) === skill.twoSided)).toBeGreaterThan(0.95);
  });

  it("has four in five of their needs in it", () => {
    const asked = SCORED.flatMap(({ skill, score }) => {
      const found = proposedNeeds(SYLLABUS, score, skill.id).flatMap(({ term }) => withNeeds(term.skill));
      return skill.needs.map(({ anyOf }) => anyOf.some(({ skill: one }) => found.includes(one)));
    });
    expect(share(asked, Boolean)).toBeGreaterThan(0.75);
  });

  it("is read again as it is written", () => {
    for (const { needs, helps } of CATALOGUE.skills.values()) {
      expect(parseNeeds(printNeeds({ needs, helps }))).toEqual({ needs, helps });
    }
  });
});
