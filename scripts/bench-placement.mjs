/** How well placement places, against asking in order of depth, on simulated students of every level. */
import { main } from "./lib/stop.mjs";
import { median, printRatio } from "./lib/measure.mjs";

const QUESTIONS = 14;
const STUDENTS = 100;
const SEED = 1000;

const share = (part, whole) => (whole === 0 ? 1 : part / whole);

/** Plain and balanced accuracy of what is concluded about one student. */
function accuracyOf(conclusions, isKnown) {
  const right = conclusions.map((one) => one.isKnown === isKnown(one));
  const known = conclusions.map(isKnown);
  const rightAmong = (wanted) => right.filter((one, index) => one && known[index] === wanted).length;
  const count = (wanted) => known.filter((one) => one === wanted).length;
  return {
    plain: (rightAmong(true) + rightAmong(false)) / conclusions.length,
    balanced: (share(rightAmong(true), count(true)) + share(rightAmong(false), count(false))) / 2,
  };
}

/** Prints both accuracies after every number of questions, for both ways of asking. */
export async function benchPlacement() {
  const [{ place, placementModel, sideKey, sidesOf, skillOf, syllabusOf }, { CATALOGUE, SCHOOLS }, cohort] =
    await Promise.all([
      import("./lib/core.mjs"),
      import("../packages/catalogue/dist/index.js"),
      import("../packages/cohort/dist/index.js"),
    ]);
  const syllabus = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
  const students = cohort.simulateCohort(CATALOGUE, STUDENTS, SEED);
  const byDepth = [...CATALOGUE.order].sort(
    (one, other) => CATALOGUE.skills.get(one).level - CATALOGUE.skills.get(other).level,
  );
  const times = [];
  const ways = {
    "by information": ({ next }) => next?.subject,
    "in order of depth": ({ conclusions }) => {
      const open = new Set(conclusions.filter((one) => one.basis === "likely").map((one) => one.subject));
      return byDepth.find((subject) => open.has(subject));
    },
  };
  const wrong = {};
  for (const [name, choose] of Object.entries(ways)) {
    const sums = Array.from({ length: QUESTIONS + 1 }, () => ({ plain: 0, balanced: 0 }));
    for (const student of students) {
      const model = placementModel(syllabus, { strongerSide: student.strongerSide });
      const random = cohort.randomFrom(student.seed + 7);
      const isKnown = ({ subject, side }) => cohort.knows(student, sideKey(subject, side));
      let answers = [];
      for (let asked = 0; asked <= QUESTIONS; asked += 1) {
        const started = performance.now();
        const placement = place(model, answers);
        times.push(performance.now() - started);
        const { plain, balanced } = accuracyOf(placement.conclusions, isKnown);
        sums[asked].plain += plain / STUDENTS;
        sums[asked].balanced += balanced / STUDENTS;
        const subject = choose(placement);
        if (subject === undefined) continue;
        const settled = new Set(
          placement.conclusions
            .filter((one) => one.basis !== "likely")
            .map((one) => sideKey(one.subject, one.side)),
        );
        const sides = sidesOf(skillOf(CATALOGUE, subject)).filter(
          (side) => !settled.has(sideKey(subject, side)),
        );
        answers = [
          ...answers,
          ...sides.map((side) => ({
            subject,
            side,
            answer: cohort.shows(student, sideKey(subject, side), random),
          })),
        ];
      }
    }
    const line = (key) => sums.map((sum) => (100 * sum[key]).toFixed(1)).join(" ");
    console.log(`placement, asking ${name}, 0 to ${QUESTIONS} questions:`);
    console.log(`  placed right, %:          ${line("plain")}`);
    console.log(`  known and unknown alike: ${line("balanced")}`);
    wrong[name] = 1 - sums[QUESTIONS].plain;
  }
  printRatio(
    "sides placed wrong after 14 questions",
    100 * wrong["by information"],
    100 * wrong["in order of depth"],
    "asking in order of depth",
    "%",
  );
  printRatio("the next question", median(times), 30, "the limit", "ms");
}

if (process.argv[1] === import.meta.filename) await main(benchPlacement);
