/**
 * Whether Mirrup's judgement is worth having: simulated students on their way to a goal, with what Mirrup
 * proposes after each set, and with two plain policies over the goal's own needs. Twice: on students of the
 * kind that the handbook's numbers suit, and on pupils who learn by rules of their own. Then with the
 * learner model refitted to the log of other students of the same kind, as a studio's own would be.
 */
import { main } from "./lib/stop.mjs";
import { printRatio } from "./lib/measure.mjs";

const STUDENTS = Number(process.env.MIRRUP_BENCH_STUDENTS ?? 24);
const SEED = Number(process.env.MIRRUP_BENCH_SEED ?? 7000);
/** The studio whose log the model is refitted to: other students than those it is then measured on. */
const FITTED_SEED = SEED + 100_000;
const MOST_LESSONS = 60;
/** What is proposed is to be neither sure nor hopeless. */
const WANTED = [0.55, 0.9];
/** A tenth of the chances that was said more seldom tells nothing. */
const FEWEST = 200;

const [core, { CATALOGUE, SCHOOLS }, cohort] = await Promise.all([
  import("./lib/core.mjs"),
  import("../packages/catalogue/dist/index.js"),
  import("../packages/cohort/dist/index.js"),
]);
const SYLLABUS = core.syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
const COURSE = cohort.courseOf(CATALOGUE);

const POLICIES = {
  mirrup: ({ strongerSide }) => cohort.byProposal(strongerSide),
  "in order of depth": () => cohort.IN_ORDER,
  "a random ready one": ({ seed }) => cohort.atRandom(seed + 99),
};

const mean = (numbers) => numbers.reduce((sum, one) => sum + one, 0) / Math.max(1, numbers.length);
const percent = (share) => `${(100 * share).toFixed(1)} %`;

const peopleOf = (population, seed) =>
  cohort.peopleOf({ syllabus: SYLLABUS, course: COURSE, population, count: STUDENTS, seed });

function coach(people, policyOf, model) {
  return people.map((person) => {
    const { goal, placed, begin } = person;
    const coaching = { syllabus: SYLLABUS, model, goal, placed, mostLessons: MOST_LESSONS };
    return cohort.coached({ ...coaching, learner: begin(), policy: policyOf(person) });
  });
}

function printHonesty(title, results) {
  const said = results.flatMap((one) => one.said);
  const wanted = said.filter(({ chance }) => chance >= WANTED[0] && chance <= WANTED[1]).length;
  const bands = cohort.bandsOf(said, FEWEST);
  const left = results.flatMap((one) => one.left);
  const [fewer, more] = [
    left.filter(({ low, came }) => came < low).length,
    left.filter(({ high, came }) => came > high).length,
  ];
  console.log(
    `${title}: proposals between ${WANTED[0]} and ${WANTED[1]}: ${percent(wanted / said.length)} of ${said.length}; ` +
      `mean band error ${percent(cohort.bandError(bands))}; the range of tries left held ` +
      `${percent(cohort.heldShare(left))} of ${left.length} (fewer came ${fewer}, more ${more})`,
  );
  console.log(
    `  said → came: ${bands.map(({ said: one, came, count }) => `${percent(one)} → ${percent(came)} of ${count}`).join("; ")}`,
  );
  if (process.env.MIRRUP_BENCH_KINDS) printKinds(said);
}

function printKinds(said) {
  for (const [kind, own] of [...core.grouped(said, (one) => one.kind)].sort(
    ([, a], [, b]) => b.length - a.length,
  ))
    console.log(
      `  ${kind}: ${own.length}, said ${percent(mean(own.map((one) => one.chance)))}, came ${percent(mean(own.map((one) => Number(one.came))))}`,
    );
}

/** What a policy costs against the better of the plain ones, over the students who reach it under both. */
function printCosts(results) {
  for (const [name, own] of Object.entries(results)) {
    const reached = own.filter((one) => one.reached).length;
    console.log(
      `${name}: ${reached} of ${own.length} reached the goal; mean ${mean(own.map((one) => one.tries)).toFixed(0)} tries, ${mean(own.map((one) => one.lessons)).toFixed(1)} lessons`,
    );
  }
  const meanOf = (name, key) => mean(results[name].map((one) => one[key]));
  const [better] = Object.keys(results)
    .filter((name) => name !== "mirrup")
    .sort((one, other) => meanOf(one, "tries") - meanOf(other, "tries"));
  for (const key of ["tries", "lessons"])
    printRatio(
      `${key} to the goal with Mirrup's proposals`,
      meanOf("mirrup", key),
      meanOf(better, key),
      better,
      "",
    );
  const behind = results.mirrup.filter((one, place) => !one.reached && results[better][place].reached).length;
  console.log(`left behind, who reach it ${better}: ${behind}`);
}

export async function benchCoaching() {
  for (const population of cohort.POPULATIONS) {
    console.log(`\n${population}`);
    const people = peopleOf(population, SEED);
    const handbook = core.HANDBOOK_MODEL;
    const results = Object.fromEntries(
      Object.entries(POLICIES).map(([name, policyOf]) => [name, coach(people, policyOf, handbook)]),
    );
    printCosts(results);
    printHonesty("with the handbook's numbers", results.mirrup);
    const studio = coach(peopleOf(population, FITTED_SEED), POLICIES.mirrup, handbook);
    const model = core.refit(
      studio.map((one) => ({ ...one.log, syllabus: SYLLABUS })),
      handbook,
    );
    printHonesty("refitted to others' log", coach(people, POLICIES.mirrup, model));
  }
}

if (process.argv[1] === import.meta.filename) await main(benchCoaching);
