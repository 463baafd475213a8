/** Readings of the demo's students, from the sets that their records are made of: for benches. */
import { CATALOGUE, SCHOOLS } from "../../packages/catalogue/dist/index.js";
import { DEMO_CLUB } from "../../apps/server/dist/demo/club.js";
import { demoId, historyOf, simulatedHistoryOf } from "../../apps/server/dist/demo/history.js";
import * as core from "./core.mjs";

const NOW = new Date("2026-06-01T17:00:00Z");

function historiesOf({ students, others, school }) {
  return [
    ...students.map((student, place) => historyOf(student, demoId(student.name), place + 1, NOW)),
    ...others.map((student) => simulatedHistoryOf(student, demoId(student.name), SCHOOLS[school], NOW)),
  ];
}

/** How to read where each stands, from facts that are kept, and which side is stronger. */
export function demoReadings() {
  const { timeZone, school, students } = DEMO_CLUB;
  const syllabus = core.syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS[school] });
  const model = core.HANDBOOK_MODEL;
  const now = NOW.getTime();
  const today = core.localDate(now, timeZone);
  return historiesOf(DEMO_CLUB).map((history, place) => {
    const sets = history.map(({ at, ...set }) => {
      const happened = Date.parse(at);
      return { ...set, at: happened, lesson: core.localDate(happened, timeZone) };
    });
    const folded = core.foldLines({ sets, decisions: [] }, { syllabus, model });
    const facts = new core.SideMap(folded.map((one) => [one.owner, one.facts]));
    const read = () => core.readingOf({ syllabus, model, now, today, factsOf: (side) => facts.get(side) });
    return { read, strongerSide: students[place]?.strongerSide ?? "right" };
  });
}
