/** One student's lesson planned, the slowest of many, against reading where that student stands. */
import { demoReadings } from "./lib/demo-readings.mjs";
import { simulatedReadings } from "./lib/simulated-readings.mjs";
import { median, printRatio } from "./lib/measure.mjs";

const STUDENTS = Number(process.env.MIRRUP_BENCH_PLANS ?? 120);
const MINUTES = [30, 60, 90];
const ROUNDS = 3;

const core = await import("./lib/core.mjs");

function timed(work) {
  const times = Array.from({ length: ROUNDS }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  });
  return median(times);
}

function planOf(reading, next, minutes) {
  return core.planStudent({
    ...{ reading, next, minutes, energy: "normal", hardSkill: "late" },
    ...{ landingsLeft: 3000, multiplesLeft: null, bans: new core.SideSet(), pins: new core.SideSet() },
  });
}

export function benchPlan() {
  benchPlansOf("of the demo's students", demoReadings());
  benchPlansOf("of simulated students", simulatedReadings(STUDENTS));
}

function benchPlansOf(whose, readings) {
  const slow = [];
  let [plans, empty] = [0, 0];
  for (const { read, strongerSide } of readings) {
    const reading = read();
    const next = core.nextDrills(reading, { strongerSide });
    const reference = timed(read);
    for (const minutes of MINUTES) {
      const planning = timed(() => planOf(reading, next, minutes));
      slow.push({ planning, reference, ratio: planning / reference });
      plans += 1;
      empty += planOf(reading, next, minutes).minutes < 0.95 * minutes ? 1 : 0;
    }
  }
  const worst = slow.reduce((one, other) => (other.ratio > one.ratio ? other : one));
  printRatio(
    `one student's lesson planned, the slowest of ${plans} ${whose}`,
    worst.planning,
    worst.reference,
    "reading where they stand",
  );
  const usual = median(slow.map((one) => one.ratio));
  console.log(
    `  the median is ${usual.toFixed(1)} ×; ${empty} of ${plans} plans leave more than 5 % of their minutes empty`,
  );
}

if (process.argv[1] === import.meta.filename) benchPlan();
