/** The frontier of a thousand skills: worked out for a class of 300, and laid out. */
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { transformFileSync } from "@swc/core";
import { ROOT } from "./lib/install.mjs";
import { medianTimes, printRatio } from "./lib/measure.mjs";

const SKILLS = 1000;
const STUDENTS = 300;
const LIMIT_MS = 1000;

const [core, { CATALOGUE, SCHOOLS }] = await Promise.all([
  import("./lib/core.mjs"),
  import("../packages/catalogue/dist/index.js"),
]);

/** The page's layout, without its types. */
async function layouter() {
  const source = join(ROOT, "apps/web/src/frontier/layout.ts");
  const { code } = transformFileSync(source, { jsc: { parser: { syntax: "typescript" }, target: "es2023" } });
  const folder = join(ROOT, "apps/web/node_modules/.cache");
  mkdirSync(folder, { recursive: true });
  const file = join(folder, "frontier-layout.mjs");
  writeFileSync(file, code);
  return (await import(file)).layoutOf;
}

/** A tree like the catalogue's, as often as it takes to come to so many skills. */
function syllabusOf(size) {
  const skills = Array.from({ length: size }, (_, place) => {
    const [own, copy] = [place % CATALOGUE.order.length, Math.floor(place / CATALOGUE.order.length)];
    const skill = CATALOGUE.skills.get(CATALOGUE.order[own]);
    const needs = skill.needs.map(({ anyOf: [first] }) => `${first.skill}-${copy}`);
    return {
      ...{ id: `${skill.id}-${copy}`, name: `${skill.name} ${copy}`, sides: skill.twoSided ? "two" : "one" },
      ...{ score: null, class: skill.skillClass, cues: ["one", "two"], faults: [], look: "" },
      needs: needs.join("; "),
    };
  });
  const strand = { id: "strand", name: "strand", family: "crosses", skills };
  const { catalogue } = core.buildCatalogue([strand], "bench");
  return core.syllabusOf({ catalogue, school: SCHOOLS["quick-frontier"] });
}

export async function benchFrontier() {
  const layoutOf = await layouter();
  const syllabus = syllabusOf(SKILLS);
  const { sides } = syllabus;
  const students = Array.from({ length: STUDENTS }, (_, number) => {
    const cleared = (number % 10) / 10;
    const statuses = sides.map(({ index, needs }) =>
      (index * 7919) % 10 < 10 * cleared ? "cleared" : needs.length === 0 ? "ready" : "locked",
    );
    return ({ index }) => ({ status: statuses[index], isStuck: false });
  });
  const codes = JSON.stringify(students.map((student) => sides.map(student)));
  const asked = { ahead: null };
  const { frontier, parse } = await medianTimes(
    { parse: () => JSON.parse(codes), frontier: () => core.frontierOf(syllabus, students, asked) },
    { rounds: 9, warmUp: 3 },
  );
  printRatio(
    `the frontier of ${SKILLS} skills for ${STUDENTS} students`,
    frontier,
    parse,
    "JSON.parse of where they stand",
  );
  const { beads, cords } = core.frontierOf(syllabus, [() => ({ status: "locked", isStuck: false })], asked);
  const labelled = beads.map(({ subject, step }) => ({ subject, step, label: subject, note: "" }));
  const { layout } = await medianTimes(
    { layout: () => layoutOf({ beads: labelled, cords }) },
    { rounds: 5, warmUp: 1 },
  );
  printRatio(`${beads.length} beads and ${cords.length} cords laid out`, layout, LIMIT_MS, "the limit");
}
