/** Readings of simulated students, as a studio's would be after some weeks: for benches. */
import { CATALOGUE, SCHOOLS } from "../../packages/catalogue/dist/index.js";
import * as cohort from "../../packages/cohort/dist/index.js";
import * as core from "./core.mjs";

/** Sides below this chance of a clean try were never tried. */
const BEGUN_CHANCE = 0.3;
const WEEKS = 10;
const NOW = Date.parse("2026-06-01T17:00:00Z");
const TODAY = "2026-06-01";
const FIRST_SEED = 700;
/** From beginners to those who know more than half. */
const LEVELS = { least: 0.05, most: 0.65 };

/** What a simulated student's log may say by now: known sides cleared some weeks ago, half-known ones worked on. */
function setsOf(syllabus, { chances }, random) {
  return [...chances].flatMap(([key, chance]) => {
    if (chance < BEGUN_CHANCE) return [];
    const { subject, side } = core.sideNamed(key);
    const count = core.sideOf(syllabus, subject, side).gateStreak;
    const isKnown = chance >= cohort.KNOWN_CHANCE;
    const at = NOW - cohort.between(random, 1, WEEKS * 7) * core.DAY_MS;
    const bestStreak = isKnown ? count : Math.max(1, Math.floor(count * random()));
    return {
      ...{ subject, side, id: key, at, lesson: core.localDate(at, "UTC"), bestStreak, clean: 2 * bestStreak },
      ...{ drill: { kind: "streak", count }, misses: isKnown ? [] : [{ count: 10 }], seconds: 600 },
    };
  });
}

/** So many students: how to read where each stands, from facts that are kept, and which side is stronger. */
export function simulatedReadings(count) {
  const course = cohort.courseOf(CATALOGUE);
  const syllabus = core.syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
  const model = core.HANDBOOK_MODEL;
  return Array.from({ length: count }, (_, place) => {
    const seed = FIRST_SEED + place;
    const level = LEVELS.least + ((LEVELS.most - LEVELS.least) * place) / count;
    const student = cohort.simulateStudent(course, seed, level);
    const sets = setsOf(syllabus, student, cohort.randomFrom(seed));
    const folded = core.foldLines({ sets, decisions: [] }, { syllabus, model });
    const facts = new core.SideMap(folded.map((one) => [one.owner, one.facts]));
    const factsOf = (side) => facts.get(side);
    const read = () => core.readingOf({ syllabus, model, now: NOW, today: TODAY, factsOf });
    return { read, strongerSide: student.strongerSide };
  });
}
