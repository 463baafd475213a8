/**
 * A class hour planned: how long it takes against working out what its students can do at all, what it is worth
 * against one drill for everybody and against the most that any plan could have, and how it stands beside a
 * general solver (HiGHS) on the same model and scoring.
 */
import loadHighs from "highs";
import { classModel, lpOf } from "./lib/class-model.mjs";
import { medianTimes, printRatio } from "./lib/measure.mjs";
import { simulatedReadings } from "./lib/simulated-readings.mjs";
import { main } from "./lib/stop.mjs";

const STUDENTS = 30;
const SEEDS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
/** Of a class's skills, those that are worth most to it: a solver's model grows with their number. */
const SKILLS = 20;
/** Seconds that the solver has for the best plan. */
const SOLVING = 60;
/** Students, stations, turns, and what the plan is held against: the solver's best, or its relaxation's bound. */
const CLASSES = [
  [8, 2, 3, "best"],
  [12, 3, 4, "best"],
  [20, 4, 5, "bound"],
  [30, 6, 5, "bound"],
];
const core = await import("./lib/core.mjs");

const mean = (numbers) => numbers.reduce((sum, one) => sum + one, 0) / numbers.length;
const share = (one, other) => (one / other).toFixed(3);

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

/** So many who may look at what is new. */
const helpersOf = (many) => Array.from({ length: many }, () => ({ mayLead: [] }));

const ASKED = {
  ...{ minutes: 60, turns: null, stations: 6, coaches: 1, helpers: helpersOf(2), floor: null },
  ...{ hardSkill: "late", bans: [], stationPins: [], placePins: [], seed: 1 },
};

/** So many of the students, evenly out of all, with the skills that are worth most to them together. */
function smallClass(students, many) {
  const picked = Array.from(
    { length: many },
    (_, place) => students[Math.floor((place * students.length) / many)],
  );
  const worths = new Map();
  for (const { subject, worth } of picked.flatMap((one) => one.options))
    worths.set(subject, (worths.get(subject) ?? 0) + worth);
  const kept = new Set(
    [...worths]
      .sort(([, one], [, other]) => other - one)
      .slice(0, SKILLS)
      .map(([subject]) => subject),
  );
  return picked
    .map((one) => ({
      ...one,
      options: one.options.filter((option) => kept.has(option.subject)),
      landingsLeft: null,
      multiplesLeft: null,
    }))
    .filter((one) => one.options.length > 0);
}

async function besideSolver(students, [many, stations, turns, against]) {
  const picked = smallClass(students, many);
  const coaches = Math.ceil(stations / 3);
  const asked = { ...ASKED, minutes: 8 * turns + 7, stations, coaches, helpers: helpersOf(stations) };
  const times = [];
  const plans = SEEDS.map((seed) => {
    const before = performance.now();
    const plan = core.planClass({ ...asked, seed }, picked);
    times.push(performance.now() - before);
    return plan;
  });
  const minutes = plans[0].rotations.map((one) => one.minutes);
  const model = classModel({
    ...{ students: picked, stations, coaches, minutes },
    ...{ weights: core.CLASS_WEIGHTS, limits: core.CLASS_LIMITS },
  });
  const solve = async (isWhole, options) => {
    const highs = await loadHighs();
    const before = performance.now();
    const { ObjectiveValue } = highs.solve(lpOf(model, isWhole), { output_flag: false, ...options });
    return { value: ObjectiveValue, time: performance.now() - before };
  };
  const relaxed = await solve(false);
  const solved = await solve(true, { time_limit: SOLVING });
  const reference = against === "best" ? solved.value : relaxed.value;
  const useful = plans.map((plan) => plan.useful).sort((one, other) => one - other);
  console.log(
    `${picked.length} students, ${stations} stations, ${turns} turns, ${SEEDS.length} seeds: ` +
      `${share(mean(useful), reference)} on average, ${share(useful[0], reference)} to ${share(useful.at(-1), reference)} of ` +
      `${against === "best" ? "the solver's best" : "the relaxation's bound"}` +
      (against === "best" ? "" : `, where the solver's best is ${share(solved.value ?? 0, reference)}`) +
      `; the bound shown ${share(plans[0].most, relaxed.value)} × the relaxation's`,
  );
  const middle = times.sort((one, other) => one - other)[Math.floor(times.length / 2)];
  printRatio("  time for it", middle, solved.time, "the solver");
  printRatio("  time for it", middle, relaxed.time, "its relaxation alone");
}

export async function benchClass() {
  const records = simulatedReadings(STUDENTS).map(({ read, strongerSide }) => ({
    reading: read(),
    strongerSide,
  }));
  const read = () =>
    records.map(({ reading, strongerSide }, place) => studentOf(place, reading, strongerSide));
  const students = read();
  const asked = { ...ASKED, floor: { widthMetres: 20, lengthMetres: 30 } };
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
  console.log(
    `  useful minutes: ${share(plan.useful, plan.sameForAll)} × one drill for everybody at a time, ` +
      `${share(plan.useful, plan.most)} of the most that any plan could have`,
  );
  if (plan.faults.length > 0) console.log(`  not kept: ${plan.faults.map((fault) => fault.code).join(", ")}`);
  for (const size of CLASSES) await besideSolver(students, size);
}

if (process.argv[1] === import.meta.filename) await main(benchClass);
