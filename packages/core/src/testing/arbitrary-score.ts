/** Scores for property tests: any that parse, and legal ones walked by the rules. */
import fc from "fast-check";
import { ARMS, type Arms } from "../rope/arms.js";
import { checkScore } from "../rope/check.js";
import { GESTURES } from "../rope/feet.js";
import { linkFault, longestRow } from "../rope/link-rules.js";
import { scoreOf } from "../rope/parse.js";

const space = fc.constantFrom(" ", "  ", "\n", "\t", " # a note\n", "\r\n");
const foot = fc.constantFrom("b", "l", "r");
const turn = fc
  .tuple(fc.constantFrom(...ARMS, "x"), fc.integer({ min: 0, max: 9 }))
  .map(([arms, one]) => (one === 0 ? `${arms}!` : arms));
const body = fc.oneof(
  { weight: 1, arbitrary: fc.constant(".") },
  { weight: 4, arbitrary: turn },
  {
    weight: 2,
    arbitrary: fc.array(turn, { minLength: 1, maxLength: 5 }).map((turns) => `(${turns.join(" ")})`),
  },
);
const feet = fc.oneof(
  { weight: 3, arbitrary: fc.constant("") },
  { weight: 1, arbitrary: foot.map((landing) => `/${landing}`) },
  { weight: 1, arbitrary: fc.tuple(foot, foot).map(([takeOff, landing]) => `/${takeOff}>${landing}`) },
);
const gestures = fc
  .array(fc.constantFrom(...GESTURES), { maxLength: 2 })
  .map((list) => list.map((name) => `+${name}`).join(""));
const count = fc.option(fc.integer({ min: 1, max: 4 })).map((times) => (times === null ? "" : `*${times}`));

const { items } = fc.letrec<{ items: string; item: string }>((tie) => ({
  item: fc.oneof(
    { depthSize: "small", withCrossShrink: true },
    { weight: 5, arbitrary: fc.tuple(body, feet, gestures, count).map((parts) => parts.join("")) },
    { weight: 1, arbitrary: fc.tuple(tie("items"), count).map(([inside, times]) => `[ ${inside} ]${times}`) },
  ),
  items: fc
    .array(fc.tuple(tie("item"), space), { minLength: 1, maxLength: 4 })
    .map((list) =>
      list.map(([item, gap], index) => (index === list.length - 1 ? item : item + gap)).join(""),
    ),
}));

/** The text of a score that parses, legal or not. */
export const scoreText = fc.tuple(fc.constantFrom("", "< ", "<"), items).map(([start, text]) => start + text);

/** The text of a legal score of single-turn beats: a walk along the links that the rules allow. */
export const legalText = fc.array(fc.nat(1_000_000), { minLength: 1, maxLength: 24 }).map((choices) => {
  const walked: Arms[] = [];
  for (const choice of choices) {
    const from = walked.at(-1) ?? "o";
    const open = ARMS.filter((to) => {
      const longest = longestRow(to);
      const row = longest === null ? [] : walked.slice(-longest);
      const full = longest !== null && row.length === longest && row.every((arms) => arms === to);
      return linkFault(from, to) === null && !full;
    });
    const next = open[choice % open.length];
    if (next !== undefined) walked.push(next);
  }
  return walked.join(" ");
});

const grouped = fc
  .tuple(legalText, fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 24, maxLength: 24 }))
  .map(([text, sizes]) => {
    const turns = text.split(" ");
    const beats = sizes.flatMap((size) => {
      const beat = turns.splice(0, size).join(" ");
      return beat === "" ? [] : [beat.includes(" ") ? `(${beat})` : beat];
    });
    return beats.join(" ");
  });

/** The text of a legal score of multiples: the same walk, several turns to a jump where one of them is jumped. */
export const legalMultiples = grouped.filter((text) => checkScore(scoreOf(text)).length === 0);
