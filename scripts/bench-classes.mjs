/**
 * Whole classes held for twelve weeks by the class plan, by one drill for everybody at a time, by each child's own
 * next in groups of three, and by their own next alone: sides cleared, of students who learn by either set of rules.
 */
import { main } from "./lib/stop.mjs";

const CHILDREN = Number(process.env.MIRRUP_BENCH_STUDENTS ?? 12);
const LESSONS = Number(process.env.MIRRUP_BENCH_LESSONS ?? 24);
/** The same children with other luck: what one of them clears in twelve weeks is few, and chance has its part in it. */
const LUCKS = Number(process.env.MIRRUP_BENCH_LUCKS ?? 3);
const SEED = Number(process.env.MIRRUP_BENCH_SEED ?? 9000);
const ASKED = {
  ...{ minutes: 60, turns: null, stations: 4, coaches: 1, helpers: [{ mayLead: [] }], floor: null },
  ...{ hardSkill: "late", bans: [], stationPins: [], placePins: [], seed: 1 },
};

const [core, { CATALOGUE, SCHOOLS }, cohort] = await Promise.all([
  import("./lib/core.mjs"),
  import("../packages/catalogue/dist/index.js"),
  import("../packages/cohort/dist/index.js"),
]);
const SYLLABUS = core.syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
const COURSE = cohort.courseOf(CATALOGUE);
const sum = (numbers) => numbers.reduce((total, one) => total + one, 0);

export async function benchClasses() {
  for (const population of cohort.POPULATIONS) {
    const people = cohort.peopleOf({
      ...{ syllabus: SYLLABUS, course: COURSE, population, count: CHILDREN, seed: SEED },
    });
    const coaching = {
      syllabus: SYLLABUS,
      model: core.HANDBOOK_MODEL,
      people,
      asked: ASKED,
      lessons: LESSONS,
    };
    const cleared = Object.fromEntries(
      Object.keys(cohort.CLASS_WAYS).map((way) => [
        way,
        Array.from({ length: LUCKS }, (_, luck) => cohort.heldClass({ ...coaching, luck }, way)).reduce(
          (sums, run) => sums.map((many, child) => many + run[child]),
        ),
      ]),
    );
    const ratio = (way) => (sum(cleared.plan) / sum(cleared[way])).toFixed(2);
    const own = cleared.plan.map((many, child) => many / Math.max(1, cleared["own next alone"][child]));
    console.log(
      `${people.length} ${population}, ${LESSONS} lessons, ${LUCKS} times: ` +
        `${(sum(cleared.plan) / people.length / LUCKS).toFixed(1)} sides cleared a child by the ` +
        `class plan, ${ratio("one drill for everybody")} × one drill for everybody, ` +
        `${ratio("own next in threes")} × their own next in threes, ${ratio("own next alone")} × alone; ` +
        `below 0.8 of alone: ${own.filter((one) => one < 0.8).length}, the least ${Math.min(...own).toFixed(2)}`,
    );
  }
}

if (process.argv[1] === import.meta.filename) await main(benchClasses);
