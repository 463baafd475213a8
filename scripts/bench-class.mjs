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
  import("../packages/core/dist/index.js"),
  import("../packages/catalogue/dist/index.js"),
  import("../packages/cohort/dist/index.js"),
]);
const SCHOOL = SCHOOLS["quick-frontier"];

/** What a simulated student's log may say by now: known sides cleared some weeks ago, half-known ones worked on. */
function factsOf({ chances }, random) {
  const facts = new Map();
  for (const [key, chance] of chances) {
    const subject = key.slice(0, key.lastIndexOf(":"));
    const skill = core.skillOf(CATALOGUE, subject);
    const gate = core.gateOf(SCHOOL, skill);
    const count = core.gateAsStreak(gate, skill.beats);
    if (chance < BEGUN_CHANCE) continue;
    const isKnown = chance >= cohort.KNOWN_CHANCE;
    const at = NOW - cohort.between(random, 1, WEEKS * 7) * core.DAY_MS;
    const bestStreak = isKnown ? count : Math.max(1, Math.floor(count * random()));
    const entry = {
      ...{ type: "set", id: key, at, lesson: core.localDate(at, "UTC"), bestStreak, clean: 2 * bestStreak },
      ...{ drill: { kind: "streak", count }, misses: isKnown ? [] : [{ count: 10 }], seconds: 600 },
    };
    facts.set(key, core.addEntry(core.NO_FACTS, entry, gate, skill.beats));
  }
  return facts;
}

function studentOf(place, facts, strongerSide) {
  const context = { catalogue: CATALOGUE, school: SCHOOL, now: NOW, today: TODAY };
  const standings = core.standingsOf(context, facts);
  const next = core.nextDrills(standings, { ...context, strongerSide });
  const options = core.classOptions({
    ...context,
    standings,
    next,
    underGoals: new Set(),
    missing: new Set(),
  });
  return {
    id: `student ${place}`,
    options,
    heightMm: 1400 + 10 * place,
    landingsLeft: 3000,
    multiplesLeft: 150,
  };
}

export async function benchClass() {
  const course = cohort.courseOf(CATALOGUE);
  const records = Array.from({ length: STUDENTS }, (_, place) => {
    const seed = 700 + place;
    const student = cohort.simulateStudent(course, seed, 0.05 + (0.6 * place) / STUDENTS);
    return { facts: factsOf(student, cohort.randomFrom(seed)), strongerSide: student.strongerSide };
  });
  const read = () => records.map(({ facts, strongerSide }, place) => studentOf(place, facts, strongerSide));
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
