/**
 * Combos made up: 20 different ones of 16 counts from 60 cleared skills, on a loose, a tight and an
 * impossible instance, against a plain depth-first search that asks the checker at every leaf. And how
 * long a repair and a check while typing take, against their limits.
 */
import { median, printRatio } from "./lib/measure.mjs";

const SKILLS = 60;
const HOW_MANY = 20;
const COUNTS = 16;
const CAP_MS = 60_000;
const ROUNDS = 5;
/** What a screen that is redrawn sixty times a second leaves for everything. */
const FRAME_MS = 1000 / 60;
const REPAIR_LIMIT_MS = 20;

const [core, { CATALOGUE }] = await Promise.all([
  import("./lib/core.mjs"),
  import("../packages/catalogue/dist/index.js"),
]);

const ASKED = {
  ...{ counts: COUNTS, howMany: HOW_MANY, include: [], exclude: [], difficulty: "any" },
  ...{ bounceEnds: true, bothSides: false, spacing: 0, difference: 0, seed: 11, dominant: "r" },
  sideways: new Set(["bl", "br"]),
};

const INSTANCES = [
  ["loose", { bounceEnds: false }],
  [
    "tight",
    {
      ...{ include: ["leg-over-cross:left", "open-cross-double:right", "knee-cross", "triple-under"] },
      ...{ spacing: 1, bothSides: true, difficulty: "hard" },
    },
  ],
  [
    "impossible",
    {
      include: ["leg-over-cross", "open-cross-double", "triple-under", "double-under", "cross-open-double"],
      ...{ spacing: 4, bothSides: true },
    },
  ],
];

/** The first 60 skills that can be chained, so that what the tight instance asks for is among them. */
function poolOf() {
  const scored = [...CATALOGUE.skills.values()].filter((skill) => skill.score !== null);
  const asked = new Set(
    INSTANCES.flatMap(([, more]) => (more.include ?? []).map((key) => key.split(":")[0])),
  );
  const rest = scored.filter((skill) => !asked.has(skill.id)).slice(0, SKILLS - asked.size);
  const skills = [...rest, ...scored.filter((skill) => asked.has(skill.id))];
  const sides = skills.flatMap((skill) =>
    core.sidesOf(skill).map((side) => ({ subject: skill.id, side, status: "cleared" })),
  );
  return core.comboPool(CATALOGUE, sides);
}

/** Whether a leaf of the plain search is what was asked: all of it judged there, and nothing before. */
function isAsked(parts, asked) {
  const judged = core.judgeCombo(parts, { sideways: asked.sideways });
  if (!judged.isLegal) return false;
  const has = (key) => parts.some(({ subject, side }) => key === subject || key === `${subject}:${side}`);
  if (!asked.include.every(has)) return false;
  const sides = new Set(parts.map((part) => part.side));
  if (asked.bothSides && !(sides.has("left") && sides.has("right"))) return false;
  const bounces = parts.map(core.isBounce);
  if (asked.bounceEnds && !(bounces[0] && bounces.at(-1))) return false;
  const { handMoves } = core.measureScore(judged.score);
  const [low, high] = core.DIFFICULTY_BANDS[asked.difficulty];
  return handMoves >= low * asked.counts && handMoves <= high * asked.counts;
}

/** The plain way: every row of parts that fills the counts, in a drawn order, until there are enough. */
function plainSearch(pool, asked) {
  const random = core.randomFrom(asked.seed);
  const parts = pool.map(({ part }) => ({ part, counts: core.countsOf(part) }));
  const started = performance.now();
  const found = new Set();
  const shuffled = () => parts.map((one) => [random(), one]).sort(([one], [other]) => one - other);
  const grow = (chosen, left) => {
    if (found.size >= asked.howMany || performance.now() - started > CAP_MS) return;
    if (left === 0) {
      if (isAsked(chosen, asked)) found.add(core.comboText(chosen));
      return;
    }
    for (const [, { part, counts }] of shuffled()) if (counts <= left) grow([...chosen, part], left - counts);
  };
  grow([], asked.counts);
  const took = performance.now() - started;
  return { took, found: found.size, isCapped: took > CAP_MS };
}

function timed(work) {
  const times = Array.from({ length: ROUNDS }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  });
  return median(times);
}

function benchInstance(pool, [name, more]) {
  const asked = { ...ASKED, ...more };
  const made = core.makeCombos(pool, asked);
  const took = timed(() => core.makeCombos(pool, asked));
  const plain = plainSearch(pool, asked);
  const what = made.ok ? `${made.combos.length} combos` : "proven that there is none";
  const more60 = plain.isCapped ? ">" : "";
  console.log(
    `combos, ${name}: ${what}, plain search over the search: ${more60}${(plain.took / took).toPrecision(2)} times as long  ` +
      `(${took.toPrecision(3)} ms to ${more60}${plain.took.toPrecision(3)} ms, in which it found ${plain.found})`,
  );
}

/** Every faulty join of two skills of the pool, in a combo of sixteen counts. */
function benchRepairs(pool) {
  const parts = pool.map(({ part }) => part);
  const bounce = parts.find((part) => part.subject === "basic-bounce");
  const times = [];
  for (const [place, one] of parts.entries()) {
    for (const other of parts.slice(place % 7).filter((_, at) => at % 7 === 0)) {
      const combo = [{ ...bounce, times: 6 }, one, other, { ...bounce, times: 6 }];
      if (core.judgeCombo(combo).parts[2].join.length === 0) continue;
      const started = performance.now();
      core.repairsOf(CATALOGUE, combo, 2);
      times.push(performance.now() - started);
    }
  }
  times.sort((one, other) => one - other);
  const at = (share) => times[Math.floor(share * (times.length - 1))];
  printRatio(`repairs of a faulty join, median of ${times.length}`, at(0.5), REPAIR_LIMIT_MS, "the limit");
  printRatio("repairs of a faulty join, 99 of 100", at(0.99), REPAIR_LIMIT_MS, "the limit");
}

/** A score of sixty-four counts typed to its end: parsed, read as parts, judged and measured at a key. */
function benchTyping(pool) {
  const made = core.makeCombos(pool, { ...ASKED, counts: 64, howMany: 1 });
  const text = core.comboText(made.combos[0].parts);
  const key = () => {
    const parts = core.partsOfScore(CATALOGUE, core.parseScore(text).score);
    const { score } = core.judgeCombo(parts);
    core.measureCombo(score, { tempo: 120, dominant: "r" });
  };
  for (let warm = 0; warm < 50; warm += 1) key();
  printRatio("a key typed into 64 counts", timed(key), FRAME_MS, "a frame");
}

export function benchCombos() {
  const pool = poolOf();
  for (const instance of INSTANCES) benchInstance(pool, instance);
  benchRepairs(pool);
  benchTyping(pool);
}

if (process.argv[1] === new URL(import.meta.url).pathname) benchCombos();
