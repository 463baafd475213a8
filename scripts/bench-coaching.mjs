/**
 * Whether Mirrup's judgement is worth having: simulated students on their way to a goal, with what Mirrup
 * proposes after each set, and with two plain policies over the goal's own needs. Twice: on students of the
 * kind that the numbers were chosen with, and on pupils who learn by rules of their own.
 */
import { main } from "./lib/stop.mjs";
import { printRatio } from "./lib/measure.mjs";

const STUDENTS = Number(process.env.MIRRUP_BENCH_STUDENTS ?? 100);
const SEED = Number(process.env.MIRRUP_BENCH_SEED ?? 4000);
/** What is proposed is to be neither sure nor hopeless. */
const WANTED = [0.55, 0.9];

const [core, { CATALOGUE, SCHOOLS }, cohort] = await Promise.all([
  import("./lib/core.mjs"),
  import("../packages/catalogue/dist/index.js"),
  import("../packages/cohort/dist/index.js"),
]);
const SYLLABUS = core.syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
const COURSE = cohort.courseOf(CATALOGUE);

/** A student of a kind: who they are, what they know, and a fresh copy for each policy. */
function peopleOf(kind) {
  return Array.from({ length: STUDENTS }, (_, place) => {
    const level = 0.05 + (0.45 * (place + 0.5)) / STUDENTS;
    const student = cohort.simulateStudent(COURSE, SEED + place, level);
    const knows = (side) => cohort.knows(student, core.sideKey(side.subject, side.side));
    const known = new Set(SYLLABUS.sides.filter(knows).map((side) => core.sideKey(side.subject, side.side)));
    const make = () =>
      kind === "trainees"
        ? new cohort.Trainee(COURSE, student, SEED + place)
        : new cohort.Pupil(COURSE, known, SEED + place);
    const stronger = student.strongerSide;
    const goal = cohort.goalFor(SYLLABUS, knows, stronger, cohort.randomFrom(SEED + place + 3));
    return { knows, make, stronger, goal, seed: SEED + place };
  }).filter((one) => one.goal !== undefined);
}

const POLICIES = {
  mirrup: ({ stronger }) => cohort.byProposal(stronger),
  "in order of depth": () => cohort.IN_ORDER,
  "a random ready one": ({ seed }) => cohort.atRandom(seed + 99),
};

const mean = (numbers) => numbers.reduce((sum, one) => sum + one, 0) / Math.max(1, numbers.length);
const percent = (share) => `${(100 * share).toFixed(1)} %`;

/** Mean distance of what was said from what came, over tenths that were said two hundred times or more. */
export function bandError(said, least = 200) {
  const bands = Array.from({ length: 10 }, (_, place) =>
    said.filter(({ chance }) => Math.min(9, Math.floor(chance * 10)) === place),
  ).filter((band) => band.length >= least);
  const weight = bands.reduce((sum, band) => sum + band.length, 0);
  const off = bands.map((band) => [
    mean(band.map((one) => one.chance)),
    mean(band.map((one) => Number(one.came))),
    band.length,
  ]);
  const error =
    off.reduce((sum, [chance, came, many]) => sum + Math.abs(chance - came) * many, 0) / Math.max(1, weight);
  return { error, off };
}

export async function benchCoaching() {
  for (const kind of ["trainees", "pupils"]) {
    console.log(`\n${kind}`);
    const people = peopleOf(kind);
    const results = {};
    for (const [name, policyOf] of Object.entries(POLICIES)) {
      results[name] = people.map((person) =>
        cohort.coached({
          syllabus: SYLLABUS,
          model: core.HANDBOOK_MODEL,
          learner: person.make(),
          goal: person.goal,
          policy: policyOf(person),
          placed: cohort.startsOf(SYLLABUS, person.knows),
        }),
      );
      const { [name]: own } = results;
      const reached = own.filter((one) => one.reached).length;
      console.log(
        `${name}: ${reached} of ${own.length} reached the goal; mean ${mean(own.map((one) => one.tries)).toFixed(0)} tries, ${mean(own.map((one) => one.lessons)).toFixed(1)} lessons`,
      );
    }
    const better = Object.keys(POLICIES)
      .slice(1)
      .sort(
        (one, other) => mean(results[one].map((r) => r.tries)) - mean(results[other].map((r) => r.tries)),
      )[0];
    for (const key of ["tries", "lessons"]) {
      const of = (name) => mean(results[name].map((one) => one[key]));
      printRatio(`${key} to the goal with Mirrup's proposals`, of("mirrup"), of(better), better, "");
    }
    const behind = results.mirrup.filter(
      (one, place) => !one.reached && results[better][place].reached,
    ).length;
    console.log(`left behind, who reach it ${better}: ${behind}`);
    const said = results.mirrup.flatMap((one) => one.said);
    const wanted = said.filter(({ chance }) => chance >= WANTED[0] && chance <= WANTED[1]).length;
    console.log(
      `proposals between ${WANTED[0]} and ${WANTED[1]}: ${percent(wanted / said.length)} of ${said.length}`,
    );
    const { error, off } = bandError(said);
    console.log(`mean band error ${percent(error)}`);
    for (const [chance, came, many] of off)
      console.log(`  said ${percent(chance)}, came ${percent(came)} of ${many}`);
    const left = results.mirrup.flatMap((one) => one.left);
    const held = left.filter(({ low, high, came }) => came >= low && came <= high).length;
    const [under, over] = [
      left.filter(({ low, came }) => came < low).length,
      left.filter(({ high, came }) => came > high).length,
    ];
    console.log(
      `the range of tries left held ${percent(held / left.length)} of ${left.length} (fewer came ${under}, more ${over})`,
    );
    if (process.env.MIRRUP_BENCH_KINDS) {
      const kinds = new Map();
      for (const { kind: one, chance, came } of said) {
        const sum = kinds.get(one) ?? [0, 0, 0];
        kinds.set(one, [sum[0] + 1, sum[1] + chance, sum[2] + Number(came)]);
      }
      for (const [one, [many, chances, came]] of [...kinds].sort((a, b) => b[1][0] - a[1][0]))
        console.log(`  ${one}: ${many}, said ${percent(chances / many)}, came ${percent(came / many)}`);
    }
  }
}

if (process.argv[1] === import.meta.filename) await main(benchCoaching);
