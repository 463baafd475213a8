/**
 * A class hour planned: how long it takes against working out what its students can do at all, and what it
 * is worth against one drill for everybody and against the most that any plan could have.
 */
import { medianTimes, printRatio } from "./lib/measure.mjs";
import { simulatedReadings } from "./lib/simulated-readings.mjs";

const STUDENTS = 30;
const core = await import("./lib/core.mjs");

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
  const records = simulatedReadings(STUDENTS).map(({ read, strongerSide }) => ({
    reading: read(),
    strongerSide,
  }));
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
