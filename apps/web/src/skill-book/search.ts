import { CATALOGUE } from "@mirrup/catalogue";
import type { Skill } from "@mirrup/core";
import Fuse from "fuse.js";

const SKILLS = [...CATALOGUE.skills.values()];

// A few slips of the finger are forgiven wherever in a name they are.
const index = new Fuse(SKILLS, {
  keys: [
    { name: "name", weight: 2 },
    { name: "aliases", weight: 1.5 },
  ],
  threshold: 0.34,
  ignoreLocation: true,
  minMatchCharLength: 2,
});

function plain(text: string): string {
  return text.toLowerCase().replaceAll("-", " ").trim();
}

/** Whether some name of the skill has the words as they are written. */
function isNamed(skill: Skill, words: string): boolean {
  return [skill.name, ...skill.aliases].some((name) => plain(name).includes(words));
}

/** Skills under any of their names, those written so first, then the nearest; all of them for no words. */
export function searchSkills(words: string): readonly Skill[] {
  const sought = plain(words);
  if (sought === "") return SKILLS;
  const found = index.search(sought).map(({ item }) => item);
  const named = (skill: Skill) => isNamed(skill, sought);
  return [...found.filter(named), ...found.filter((skill) => !named(skill))];
}
