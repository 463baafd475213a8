/**
 * A class hour planned: how long it takes against working out what its students can do at all, and what it
 * is worth against one drill for everybody and against the most that any plan could have.
 */
import { medianTimes, printRatio } from "./lib/measure.mjs";

const STUDENTS = 30;
/** Sides below this chance of a clean try were never tried. */
const BEGUN_CHANCE = 0.3;
const WEEKS = 10;
const NOW = Date.parse("2026-06-01T17:00:00Z");
const TODAY = "2026-06-01";

const [core, { CATALOGUE, SCHOOLS }, cohort] = await Promise.all([
  import("./lib/core.mjs"),
  import("../packages/catalogue/dist/index.js"),
  import("../packages/cohort/dist/index.js"),
]);

/** What a simulated student's log may say by now: known sides cleared some weeks ago, half-known ones worked on. */
function readingOf(syllabus, { chances }, random) {
  const sets = [...chances].flatMap(([key, chance]) => {
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
  const model = core.HANDBOOK_MODEL;
  const folded = core.foldLines({ sets, decisions: [] }, { syllabus, model });
  const facts = new core.SideMap(folded.map((one) => [one.owner, one.facts]));
  return core.readingOf({ syllabus, model, now: NOW, today: TODAY, factsOf: (side) => facts.get(side) });
}

function studentOf(place, reading, strongerSide) {
  const next = core.nextDrills(reading, { strongerSide });
  return {
    id: `student ${place}`,
    options: core.classOptions({ reading, next, underGoals: new Set(), missing: new Set() }),
    heightMm: 1400 + 10 * place,
    landingsLeft: 3000,
    multiplesLeft: 150,
  };
}

export async function benchClass() {
  const course = cohort.courseOf(CATALOGUE);
  const syllabus = core.syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
  const records = Array.from({ length: STUDENTS }, (_, place) => {
    const seed = 700 + place;
    const student = cohort.simulateStudent(course, seed, 0.05 + (0.6 * place) / STUDENTS);
    const reading = readingOf(syllabus, student, cohort.randomFrom(seed));
    return { reading, strongerSide: student.strongerSide };
  });
  const read = () =>
    records.map(({ reading, strongerSide }, place) => studentOf(place, reading, strongerSide));
  const students = read();
  const asked = {
    ...{
      minutes: 60,
      turns: null,
      stations: 6,
      coaches: 1,
      helpers: 2,
      floor: { widthMetres: 20, lengthMetres: 30 },
    },
    ...{ hardSkill: "late", bans: [], stationPins: [], placePins: [], seed: 1 },
  };
  const plan = core.planClass(asked, students);
  const { planning, reading } = await medianTimes(
    { planning: () => core.planClass(asked, students), reading: read },
    { rounds: 5, warmUp: 1 },
  );
  printRatio(
    "a class hour planned, 30 students at 6 stations",
    planning,
    reading,
    "reading what they can do",
  );
  const share = (one, other) => (one / other).toFixed(2);
  console.log(
    `  useful minutes: ${share(plan.useful, plan.sameForAll)} × one drill for everybody at a time, ` +
      `${share(plan.useful, plan.most)} of the most that any plan could have`,
  );
  if (plan.faults.length > 0) console.log(`  not kept: ${plan.faults.map((fault) => fault.code).join(", ")}`);
}
