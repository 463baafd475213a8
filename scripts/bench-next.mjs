/** What comes next, of a small catalogue and one eight times as large; and a combo's ladder with its record. */
import { medianTimes, printRatio } from "./lib/measure.mjs";

const SMALL = 200;
const LARGE = 1600;
const LEARNING_LIMIT_MS = 2;
const COMBO = "o*2 sr sl o (o o) xr o sr o xl o (o xr) o sl xl o";
const SETS = 50;
const ID = "00000000-0000-7000-8000-000000000001";

const [core, { CATALOGUE, SCHOOLS }] = await Promise.all([
  import("./lib/core.mjs"),
  import("../packages/catalogue/dist/index.js"),
]);

/** Where somebody stands half way through a catalogue of so many skills, each of which needs two before it. */
function readingOf(size) {
  const skills = Array.from({ length: size }, (_, place) => ({
    ...{ id: `skill-${place}`, name: `skill ${place}`, sides: place % 2 === 0 ? "two" : "one" },
    ...{ score: place % 2 === 0 ? "xr o" : "o", class: "cross", cues: ["one", "two"], faults: [], look: "" },
    needs: place < 20 ? "" : `skill-${place - 20}; skill-${place - 7}`,
  }));
  const strand = { id: "strand", name: "strand", family: "crosses", skills };
  const { catalogue } = core.buildCatalogue([strand], "bench");
  const syllabus = core.syllabusOf({ catalogue, school: SCHOOLS["quick-frontier"] });
  const now = Date.UTC(2026, 5, 1);
  const sets = syllabus.sides
    .slice(0, syllabus.sides.length / 2)
    .map(({ subject, side, gateStreak }, place) => {
      const bestStreak = place % 3 === 0 ? 2 : gateStreak;
      return {
        ...{ id: `${place}`, subject, side, drill: { kind: "streak", count: gateStreak } },
        ...{ clean: bestStreak, misses: [{ count: 2 }], bestStreak, at: now - place, lesson: "2026-05-31" },
      };
    });
  const model = core.HANDBOOK_MODEL;
  const folded = core.foldLines({ sets, decisions: [] }, { syllabus, model });
  const facts = new core.SideMap(folded.map((one) => [one.owner, one.facts]));
  return core.readingOf({ syllabus, model, now, today: "2026-06-01", factsOf: (side) => facts.get(side) });
}

async function benchProposals() {
  const [small, large] = [SMALL, LARGE].map(readingOf);
  const next = (reading) => () => core.nextDrills(reading, { strongerSide: "right" });
  const { few, many } = await medianTimes(
    { few: next(small), many: next(large) },
    { rounds: 60, warmUp: 10 },
  );
  printRatio(`what comes next of ${LARGE} skills`, many, few, `of ${SMALL}`);
}

async function benchLearning() {
  const parts = core.partsOfScore(CATALOGUE, core.parseScore(COMBO).score);
  const options = { id: ID, side: "right", dominant: "r", tempo: 120, steps: core.dancedSteps(CATALOGUE) };
  const sets = Array.from({ length: SETS }, (_, place) => ({
    ...{ subject: core.comboKey(ID), side: "right", drill: { kind: "one-out", count: 5, score: COMBO } },
    ...{
      clean: 3,
      misses: [
        { position: 2, turn: 1 + (place % 12) },
        { position: 4, turn: 7 },
      ],
    },
    ...{ bestStreak: 1, at: place },
  }));
  // Fresh parts each time: a screen is drawn once before anything of it is known.
  const { learning } = await medianTimes(
    { learning: () => core.learningOf([...parts], options, sets) },
    { rounds: 60, warmUp: 10 },
  );
  printRatio(
    `a combo of ${parts.length} parts and ${SETS} sets, where one is on its ladder`,
    learning,
    LEARNING_LIMIT_MS,
    "the limit",
  );
}

export async function benchNext() {
  await benchProposals();
  await benchLearning();
}

if (process.argv[1] === new URL(import.meta.url).pathname) await benchNext();
