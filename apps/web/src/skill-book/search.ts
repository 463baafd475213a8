import type { Skill } from "@mirrup/core";
import { distance } from "fastest-levenshtein";
import Fuse from "fuse.js";
import { ofCatalogue } from "../app/catalogue.js";
import { plain } from "../app/plain.js";

const skillsOf = ofCatalogue(({ skills }) => [...skills.values()]);

// A few slips of the finger are forgiven wherever in a name they are.
const indexOf = ofCatalogue(
  ({ skills }) =>
    new Fuse([...skills.values()], {
      keys: [
        { name: "name", weight: 2 },
        { name: "aliases", weight: 1.5 },
      ],
      threshold: 0.34,
      ignoreLocation: true,
      minMatchCharLength: 2,
    }),
);

const wordsOf = (text: string) => plain(text).split(/\s+/).filter(Boolean);

/** Whether some name of the skill has the words as they are written. */
function isNamed(skill: Skill, words: string): boolean {
  return [skill.name, ...skill.aliases].some((name) => plain(name).includes(words));
}

/** Slips of the finger in one word, as a share of its length, at which it is still that word. */
const MOST_SLIPS = 0.45;
/** What a word of the name that nobody typed weighs, in slips. */
const UNSAID = 0.3;

/** How many slips lie between what was typed and a name, word by word; null for another name. */
function slips(sought: readonly string[], name: string): number | null {
  const words = wordsOf(name);
  let sum = UNSAID * Math.max(0, words.length - sought.length);
  for (const word of sought) {
    const nearest = Math.min(...words.map((one) => distance(word, one)));
    if (nearest > MOST_SLIPS * word.length) return null;
    sum += nearest;
  }
  return sum;
}

function nearestName({ name, aliases }: Skill, sought: readonly string[]): number {
  return Math.min(...[name, ...aliases].map((one) => slips(sought, one) ?? Infinity));
}

/** Skills under any of their names, those written so first, then those a slip or two away, then what is like them. */
export function searchSkills(words: string): readonly Skill[] {
  const sought = plain(words);
  if (sought === "") return skillsOf();
  const typed = wordsOf(words);
  const near = skillsOf()
    .map((skill) => ({ skill, off: nearestName(skill, typed) }))
    .filter(({ off }) => off < Infinity)
    .sort((one, other) => one.off - other.off)
    .map(({ skill }) => skill);
  const found = indexOf()
    .search(sought)
    .map(({ item }) => item);
  const named = found.filter((skill) => isNamed(skill, sought));
  return [...new Set([...named, ...near, ...found])];
}
