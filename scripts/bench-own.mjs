/** What a studio's own skills cost: a catalogue of a thousand checked whole, and whom a change would touch. */
import { medianTimes, printRatio } from "./lib/measure.mjs";

const SKILLS = 1000;
/** Asked about in one request. */
const PART = 50;

const ownId = (place) => `own:0199c1b2-0000-7000-8000-${String(place).padStart(12, "0")}`;

/** Own skills with scores, each in need of another and of one that ships. */
function entriesOf(count, { CATALOGUE }, { printScore, printNeeds }) {
  const scored = [...CATALOGUE.skills.values()].filter(({ score }) => score !== null);
  return Object.fromEntries(
    Array.from({ length: count }, (_, place) => {
      const skill = scored[place % scored.length];
      const needs = [printNeeds(skill), ...(place < scored.length ? [] : [ownId(place - scored.length)])];
      return [
        ownId(place),
        {
          ...{ kind: "own", strand: CATALOGUE.strands[0].id, name: `bench ${place}` },
          ...{
            sides: skill.twoSided ? "two" : "one",
            score: printScore(skill.score),
            class: skill.skillClass,
          },
          ...{
            needs: needs.filter(Boolean).join("; "),
            cues: skill.cues,
            faults: skill.faults,
            look: skill.look,
          },
        },
      ];
    }),
  );
}

/** The core alone: a thousand skills read, put in order and checked. */
export async function benchOwnCatalogue() {
  const [core, shipped] = await Promise.all([
    import("./lib/core.mjs"),
    import("../packages/catalogue/dist/index.js"),
  ]);
  const entries = entriesOf(SKILLS - shipped.CATALOGUE.skills.size, shipped, core);
  const text = JSON.stringify(entries);
  const check = () => {
    const result = shipped.catalogueWith({ edition: 1, entries });
    if (!result.ok) throw new Error(result.faults[0].message);
  };
  const { parse, checked } = await medianTimes(
    { parse: () => JSON.parse(text), checked: check },
    { rounds: 15, warmUp: 5 },
  );
  printRatio(`a catalogue of ${SKILLS} skills, loaded and checked`, checked, parse, "JSON.parse of it");
}

/** Through the server: what one edit would come to for everybody of a class, and where they stand. */
export async function benchOwnPreview({ ask, post }, api, headers, { id, members }) {
  const edit = { subject: "cross", is: { kind: "changed", needs: "double-under" } };
  const gate = { subject: "cross", is: { kind: "changed", gate: { kind: "streak", count: 4 } } };
  const preview = (change) => async () => {
    for (let from = 0; from < members.length; from += PART) {
      const students = members.slice(from, from + PART);
      await post(`${api}/catalogue/preview`, { changes: [change], students }, headers);
    }
  };
  const { grid, needs, gates } = await medianTimes(
    { grid: () => ask(`${api}/grid?group=${id}`, { headers }), needs: preview(edit), gates: preview(gate) },
    { rounds: 5, warmUp: 2 },
  );
  const reference = "one reading of where they stand";
  printRatio(`a changed need, previewed for ${members.length} students`, needs, grid, reference);
  printRatio(`a changed gate, previewed for ${members.length} students`, gates, grid, reference);
}
