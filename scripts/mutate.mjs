/**
 * Puts wrong rules into a copy of the core, one at a time, and asks its tests: whoever breaks a rule has to
 * be told. `node scripts/mutate.mjs [-- WORDS]` for those mutants alone whose file or rule has the words.
 */
import { cpSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./lib/install.mjs";
import { run } from "./lib/processes.mjs";
import { main, Stop } from "./lib/stop.mjs";

/** File, what stands there, and what is put in its place. */
const MUTANTS = [
  ["record/chance", "1 - share * q", "1 - q"],
  ["record/chance", "done < count; done += 1", "done < count - 1; done += 1"],
  ["record/chance", "missed <= of - clean", "missed < of - clean"],
  ["record/chance", "if (clean > of) return 0;", "if (clean > of) return 1;"],
  ["record/chance", "return inARow(one, drill.count);", "return inARow(one, drill.count - 1);"],
  ["record/chance", "EXPECTED_WEIGHT = 10", "EXPECTED_WEIGHT = 1000"],
  ["record/belief", "const HALF_WAY = 0.5", "const HALF_WAY = 0.9"],
  ["record/belief", "if (other !== null)", "if (false)"],
  ["record/belief", "clean: 0.15, nearly: 0.5", "clean: 0.5, nearly: 0.15"],
  ["record/belief", "2 ** -(Math.max(0, now - at)", "2 ** (Math.max(0, now - at)"],
  ["record/model", "export const PRIOR_WEIGHT = 2", "export const PRIOR_WEIGHT = 6"],
  ["record/model", "halfLifeDays: 21", "halfLifeDays: 90"],
  ["record/model", "halfLifeTries: 40", "halfLifeTries: 400"],
  ["record/facts", "share * tries - misses", "tries - misses"],
  ["record/facts", "failed: isNow ? 0 : 1 + failed", "failed: isNow ? failed : 1 + failed"],
  ["record/facts", "progress >= gateTarget(judged.gate)", "progress > gateTarget(judged.gate)"],
  ["record/facts", "if (!set.holds) return", "if (set.holds) return"],
  ["record/facts", "HONEST_TRIES = 10", "HONEST_TRIES = 1"],
  [
    "record/facts",
    "bestStreak: 0,\n        gateBest: 0,",
    "bestStreak: facts.bestStreak,\n        gateBest: 0,",
  ],
  ["record/facts", "run >= LEAST_RUN", "run > LEAST_RUN"],
  ["record/facts", "lesson < gate.runsUntil", "lesson <= gate.runsUntil"],
  ["syllabus/gates", "gate.count > ONE_RUN", "gate.count >= ONE_RUN"],
  ["log/set", "cellOf(edges, index) - 1)", "cellOf(edges, index))"],
  ["record/mark", "compareLines(entry, start) > 0", "compareLines(entry, start) >= 0"],
  ["record/mark", "lesson !== undefined && entry.lesson !== lesson", "lesson === undefined"],
  ["record/mark", 'entry.type === "kin" ? Infinity', "false ? Infinity"],
  ["record/passing", "tries - baulked >= pass.clean", "tries - baulked >= pass.of"],
  ["record/passing", "set.bestStreak >= doseOf(drill)", "set.clean >= doseOf(drill)"],
  ["record/evidence", "if (!DRILL_ROWS[drill.kind].isEvidence) return", "if (false) return"],
  ["record/evidence", "return Math.max(1, ...side.jumps", "return Math.min(1, ...side.jumps"],
  ["record/fold", "clean: clean * bearing.repetitions", "clean"],
  ["record/practice", "sets === 0 && placed === null", "sets === 0"],
  ["record/practice", "tries: way.tries + clean", "tries: clean"],
  ["record/refit", "(1 + below) / 2", "below"],
  ["record/refit", "> 0.5) low = times", "< 0.5) low = times"],
  ["record/refit", "Math.min(1, share *", "Math.max(1, share *"],
  ["record/refit", "- unlikely", "+ unlikely"],
  ["record/refit", "g1 += (came - chance) * odds", "g1 -= (came - chance) * odds"],
  ["record/practice", "place - 1)) >= doseOf", "place)) >= doseOf"],
  ["record/chance", "Math.exp(-shift)", "Math.exp(shift)"],
  ["record/standing", "review.due < today", "review.due <= today"],
  ["record/standing", "honest.length < STUCK_LESSONS", "honest.length < 2"],
  ["record/standing", "counted >= count", "counted > count"],
  ["record/review", ">=", ">"],
  ["record/load", "GROWTH = 1.1", "GROWTH = 1.5"],
  ["record/load", "/ WEEKS_LOOKED_BACK", "/ lastWeeks.length"],
  ["next/walk", "AIMED_CHANCE = 0.75", "AIMED_CHANCE = 0.5"],
  ["next/walk", "const ENTERED_BACK = 2", "const ENTERED_BACK = 0"],
  ["next/walk", 'later.holds !== "whole"', 'later.holds === "whole"'],
  ["next/walk", "place <= gate;", "place < gate;"],
  ["next/walk", "FAILED = 2", "FAILED = 3"],
  ["next/stage", "FIRST_CHANCE = 0.5", "FIRST_CHANCE = 0.05"],
  ["next/stage", "OFFERED_CHANCE = 0.3", "OFFERED_CHANCE = 0"],
  ["next/stage", "failed % FAILED === 0", "failed >= FAILED"],
  ["next/stage", "own.at > tried.at", "own.at < tried.at"],
  ["next/stage", "ENOUGH_FAILED = 3", "ENOUGH_FAILED = 30"],
  ["next/odds", "!isOfWhole ?", "isOfWhole ?"],
  ["next/stage", "ENOUGH_TRIES = 60", "ENOUGH_TRIES = 61"],
  ["next/stage", "GENTLE_LESSONS = 2", "GENTLE_LESSONS = 3"],
  ["next/next", "NEW_SKILLS = 2", "NEW_SKILLS = 4"],
  ["next/next", "other.progress - one.progress", "one.progress - other.progress"],
  ["next/next", "Math.ceil(gateStreak / 2)", "gateStreak"],
  ["next/next", '"goal", "begun", "review", "new"', '"goal", "begun", "new", "review"'],
  ["next/leading", "share(left) > share(right)", "share(left) < share(right)"],
  ["next/goal-path", "Math.max", "Math.min"],
  ["floor/run", "run.done >= run.asked", "run.done > run.asked"],
  ["floor/run", "step < spacing", "step <= spacing"],
  ["floor/suggestion", "LOW_REVIEWS = 2", "LOW_REVIEWS = 3"],
  ["floor/suggestion", "week.landings > week.allowance", "week.landings < week.allowance"],
  ["combos/ability", "lacking.length === 1 && isOpen", "lacking.length === 1"],
  ["combos/learning", "const FAILING = 3", "const FAILING = 30"],
  ["combos/derived-needs", "side.skill.level < before.skill.level", "side.skill.level > before.skill.level"],
  ["plan/weeks", "Math.min", "Math.max"],
  ["plan/weeks", "TAPER_SHARE = 0.5", "TAPER_SHARE = 1"],
  ["plan/weeks", "isRestDay ? 0", "isRestDay ? Infinity"],
  [
    "plan/weeks-give",
    'chance >= ENOUGH_CHANCE) return { code: "lessons"',
    'chance >= 0) return { code: "lessons"',
  ],
  ["plan/choose", "work.new > Math.max(work.begun, keptNew)", "work.new > Infinity"],
  ["plan/choose", "most = this.minuteWorth * Math.max(0, minutes)", "most = 0"],
  ["plan/order", "count - Number(effort === last) >", "count >"],
  ["plan/fill", "isWithin(longer, limits) &&", "true &&"],
  ["plan/student-plan", "isRestDay ? 0 :", "isRestDay ? Infinity :"],
  ["plan/student-plan", "normal: 1, tired: 0.6", "normal: 1, tired: 0.9"],
  ["plan/class-table", "Math.max(0, present / 2 - begun)", "0"],
  ["plan/class-table", "return hasRope ? this.ropeShares.at(turn, student) : 1;", "return 1;"],
  ["plan/class-table", "others[other]?.add(student);", ""],
  ["plan/class-groups", "this.quarrels += by", "this.quarrels += 1"],
  ["plan/class-groups", "coaches > families.length ? 0 :", "coaches >= 0 ? 0 :"],
  ["plan/class-groups", "CLASS_WEIGHTS.parted * this.parted", "0"],
  [
    "plan/class-eyes",
    "if (other !== null && !seat(other, asked)) continue;",
    "if (other !== null) continue;",
  ],
  ["plan/class-bound", "least = Math.min(least,", "least = Math.min(least * 0.97,"],
  ["plan/class-bound", "return rest === 1 && groups > 1 ?", "return rest === 0 ?"],
  ["plan/rope-stock", "if (share < worst.share)", "if (share > worst.share)"],
  ["plan/rope-stock", "placesFrom(last.need)", "placesFrom(0)"],
  ["plan/rope-stock", "isRisky ? order.length : 0", "isRisky ? 0 : 0"],
  ["plan/coach-way", "(seen.has(id) ? 1 : NOT_YET)", "1"],
  ["plan/class-weeks", "if (then >= enough) [long, likely]", "if (then > 0) [long, likely]"],
  ["plan/class-table", "if (done[before] === option)", "if (false)"],
  ["plan/class-search", "if (other !== turn)", "if (other > turn)"],
  ["plan/class-written", "others.slice(0, helpers)", "others"],
  ["plan/class-plan", "(text(one) < text(other) ? -1", "(one.id < other.id ? -1"],
  ["placement/belief", "Math.min(one, other)", "Math.max(one, other)"],
  ["syllabus/holds", "one.turns !== whole.turns", "one.turns === whole.turns"],
  [
    "syllabus/drill",
    'kind === "part-counts") return { clean: 1',
    'kind === "part-counts") return { clean: 2',
  ],
];

const CAUGHT = 0.95;
const COPY = join(ROOT, ".cache/mutants");

const CONFIG = `const [core] = require(${JSON.stringify(join(ROOT, "jest.config.cjs"))}).projects;
module.exports = { ...core, rootDir: __dirname, testMatch: ["<rootDir>/src/**/*.spec.ts"], modulePathIgnorePatterns: [] };
`;

function copyCore() {
  rmSync(COPY, { recursive: true, force: true });
  mkdirSync(COPY, { recursive: true });
  cpSync(join(ROOT, "packages/core/src"), join(COPY, "src"), { recursive: true });
  symlinkSync(join(ROOT, "node_modules"), join(COPY, "node_modules"));
  writeFileSync(join(COPY, "jest.config.cjs"), CONFIG);
  writeFileSync(join(COPY, "package.json"), '{ "type": "module" }\n');
}

async function fails(asked, stdio = "ignore") {
  const jest = join(ROOT, "node_modules/jest/bin/jest.js");
  const args = [
    "--config",
    join(COPY, "jest.config.cjs"),
    "--rootDir",
    COPY,
    "--bail",
    "--silent",
    "--testTimeout=60000",
  ];
  return (await run(process.execPath, [jest, ...args, ...asked], { cwd: COPY, stdio })) !== 0;
}

/** Whether a test fails: of the file's own room first, which is quick, then of whatever depends on it. */
async function isCaught(name) {
  const room = name.split("/")[0];
  if (await fails([`src/${room}/`])) return true;
  return fails(["--findRelatedTests", join(COPY, "src", `${name}.ts`)]);
}

/** Tries every mutant whose words are asked for; answers those that nobody noticed. */
export async function mutate(words = "") {
  copyCore();
  if (await fails([], "inherit")) throw new Stop("The core's tests fail as they are.");
  const missed = [];
  const asked = MUTANTS.filter((mutant) => mutant.join(" ").includes(words));
  for (const [name, from, to] of asked) {
    const file = join(COPY, "src", `${name}.ts`);
    const text = readFileSync(file, "utf8");
    if (!text.includes(from)) throw new Stop(`${name} has no “${from}” to be made wrong.`);
    writeFileSync(file, text.replace(from, to));
    const caught = await isCaught(name);
    writeFileSync(file, text);
    if (!caught) missed.push(`${name}: ${from} → ${to}`);
    console.log(`${caught ? "caught" : "MISSED"}  ${name}: ${from.replaceAll(/\s+/g, " ")}`);
  }
  const share = 1 - missed.length / asked.length;
  console.log(`wrong rules caught: ${(100 * share).toFixed(0)} % of ${asked.length}`);
  rmSync(COPY, { recursive: true, force: true });
  if (share < CAUGHT) throw new Stop(`The core's tests miss:\n  ${missed.join("\n  ")}`);
}

if (process.argv[1] === new URL(import.meta.url).pathname)
  await main(() => mutate(process.argv.slice(2).at(-1)));
