/**
 * Whether Mirrup's judgement is worth having: simulated students on their way to a goal, with what
 * Mirrup proposes after each set, and with two plain policies over the goal's own needs.
 */
import { main } from "./lib/stop.mjs";
import { median, printRatio } from "./lib/measure.mjs";

const STUDENTS = Number(process.env.MIRRUP_BENCH_STUDENTS ?? 200);
const SEED = 4000;
const QUESTIONS = 14;
const WATCHED_TRIES = 5;
const LESSON_TRIES = 160;
const SET_TRIES = 30;
const MOST_LESSONS = 150;
/** A longer rest gives back as much as so many short ones. */
const LONG_REST = 8;
const DAYS_BETWEEN = 3.5;
const START = Date.parse("2026-01-05T17:00:00Z");
/** A try takes about a second, and getting up after a miss another two, against a clock. */
const SECONDS_A_MISS = 3;
/** Bands of chances that were said; three in four is in the last but one. */
const BANDS = [0, 0.2, 0.4, 0.65, 0.85, 1];

const [core, { CATALOGUE, FAULTS, SCHOOLS }, cohort] = await Promise.all([
  import("../packages/core/dist/index.js"),
  import("../packages/catalogue/dist/index.js"),
  import("../packages/cohort/dist/index.js"),
]);
const { sideKey, skillOf } = core;
const SCHOOL = SCHOOLS["quick-frontier"];
const COURSE = cohort.courseOf(CATALOGUE);
const SIDE_OF = new Map(
  CATALOGUE.order.flatMap((subject) =>
    core.sidesOf(skillOf(CATALOGUE, subject)).map((side) => [sideKey(subject, side), { subject, side }]),
  ),
);
const ruleOf = ({ subject }) => {
  const skill = skillOf(CATALOGUE, subject);
  return { gate: core.gateOf(SCHOOL, skill), beats: skill.beats };
};

/** Nobody goes on for ever: thirty tries, or twice what is asked. */
function mostTries(drill) {
  if (core.secondsOf(drill) !== null) return 400;
  const asked = drill.kind === "climb" ? (drill.top * (drill.top + 1)) / 2 : (drill.count ?? 0);
  return Math.max(SET_TRIES, 2 * asked);
}

/** One student under one policy: what the log says so far, and what it has cost. */
class Course {
  constructor(student, seed) {
    this.student = student;
    this.trainee = new cohort.Trainee(COURSE, student, seed);
    this.facts = new Map();
    this.lastSets = new Map();
    this.tries = 0;
    this.lessons = 0;
    this.lessonTries = LESSON_TRIES;
    this.sets = 0;
    this.said = [];
    this.beginLesson();
  }

  get now() {
    return START + this.lessons * DAYS_BETWEEN * core.DAY_MS + this.lessonTries * 3000;
  }

  beginLesson() {
    this.lessons += 1;
    this.lessonTries = 0;
    this.hasRested = false;
    this.trainee.beginLesson();
  }

  /** At the first sign of fatigue a longer rest, at the second the lesson ends. */
  restOrEnd() {
    if (this.hasRested) return this.beginLesson();
    this.hasRested = true;
    for (let time = 0; time < LONG_REST; time += 1) this.trainee.rest();
  }

  get context() {
    const today = core.localDate(this.now, "UTC");
    return { catalogue: CATALOGUE, school: SCHOOL, now: this.now, today };
  }

  standings() {
    return core.standingsOf(this.context, this.facts);
  }

  add({ subject, side }, entry) {
    const key = sideKey(subject, side);
    const { gate, beats } = ruleOf({ subject });
    const at = this.now;
    const lesson = core.localDate(at, "UTC");
    const full = { id: `${String(this.sets).padStart(6, "0")}`, at, lesson, ...entry };
    this.sets += 1;
    this.facts.set(key, core.addEntry(this.facts.get(key) ?? core.NO_FACTS, full, gate, beats));
  }

  /** Runs a drill as the floor does, and writes it down; answers the set. */
  run(about, drill, chance = null, aim = null) {
    const key = sideKey(about.subject, about.side);
    const taps = [];
    const seconds = core.secondsOf(drill);
    const { beats } = ruleOf(about);
    let clock = 0;
    let run = core.runOf(drill, taps, 0);
    while (run.end === "running" && taps.length < mostTries(drill)) {
      const { isClean, fault } = this.trainee.attempt(key, drill.kind);
      clock += isClean ? (60 * beats) / core.DEFAULT_TEMPO : SECONDS_A_MISS;
      taps.push(isClean ? { kind: "clean" } : { kind: "miss", ...(fault === null ? {} : { fault }) });
      run = core.runOf(drill, taps, clock);
    }
    this.tries += taps.length;
    this.lessonTries += taps.length;
    this.trainee.rest();
    const { clean, misses, bestStreak } = run;
    const timed = seconds === null ? {} : { seconds: Math.min(clock, seconds) };
    const set = { drill, clean, misses, bestStreak, ...timed };
    this.add(about, { type: "set", ...set });
    this.lastSets.set(key, [{ ...set, kind: drill.kind }, ...(this.lastSets.get(key) ?? [])].slice(0, 8));
    // The chance is that of the rung at the next try; a climb comes to its own rung by rung.
    if (chance !== null && drill.kind !== "climb") {
      const first = taps.findIndex((tap) => tap.kind === "miss");
      this.said.push([chance, first < 0 || first >= (aim ?? drill.count)]);
    }
    if (this.lessonTries >= LESSON_TRIES) this.beginLesson();
    return set;
  }
}

/** Mirrup: placed first, then always the first proposal, or what the last set suggests. */
function byMirrup(course, goal) {
  const placed = core.placementModel(CATALOGUE, SCHOOL, { strongerSide: course.student.strongerSide });
  const random = cohort.randomFrom(course.student.seed + 7);
  let answers = [];
  for (let asked = 0; asked < QUESTIONS; asked += 1) {
    const { next, conclusions } = core.place(placed, answers);
    if (next === null || next === undefined) break;
    const open = conclusions.filter((one) => one.basis === "likely" && one.subject === next.subject);
    for (const { subject, side } of open) {
      const answer = cohort.shows(course.student, sideKey(subject, side), random);
      answers = [...answers, { subject, side, answer }];
      course.tries += WATCHED_TRIES;
      course.add({ subject, side }, { type: "decision", decision: { kind: "place", answer, seen: true } });
    }
  }
  let advice = null;
  return (standings) => {
    const path = core
      .goalPath(standings, [goal], course.context)
      .steps.map(({ subject, side, gate }) => ({ subject, side, gate, goal: goal.subject }));
    const proposals = core.nextDrills(standings, {
      catalogue: CATALOGUE,
      strongerSide: course.student.strongerSide,
      path,
      now: course.now,
      today: course.context.today,
    });
    const [first] = proposals;
    // Nothing of the way to the goal is left for this lesson: the rest of it is for other things.
    const isOnPath = path.some((one) => one.subject === first?.subject && one.side === first.side);
    if (advice === null && path.length > 0 && !isOnPath && course.lessonTries > 0) {
      course.beginLesson();
      return { ends: true };
    }
    const proposal = advice ?? first;
    if (proposal === undefined) return null;
    return {
      about: proposal,
      drill: core.runnable(proposal.drill),
      chance: advice === null ? proposal.chance : null,
      after: () => {
        advice = adviceAfter(course, proposal, course.standings());
      },
    };
  };
}

/** What the suggestion after a set leads to: another drill of it, a break, or nothing. */
function adviceAfter(course, { subject, side, gate }, standings) {
  const sets = course.lastSets.get(sideKey(subject, side)) ?? [];
  const item = standings.find((one) => one.subject === subject && one.side === side);
  const gateStreak = core.gateAsStreak(gate, ruleOf({ subject }).beats);
  const suggestion = core.suggestionOf({
    sets,
    isCleared: item.facts.bestStreak >= gateStreak && core.isMet(item.status),
    isStuck: item?.isStuck ?? false,
    sideBehind: null,
    sibling: null,
    rustyPart: null,
    drillFor: (fault) => FAULTS[fault].drill,
    passed: core.passedRung(sets[0]),
    gateStreak,
    week: null,
  });
  const gentler = { subject, side, gate, drill: { kind: "one-out", count: 5 }, chance: null };
  switch (suggestion?.code) {
    case "rest":
      course.restOrEnd();
      return null;
    case "next-rung": {
      const rung = { count: suggestion.next, chance: 0 };
      return { subject, side, gate, ...core.rungDrill(rung, gate, gateStreak, item.cleanChance) };
    }
    case "gentler":
    case "stuck":
      return gentler;
    default:
      return null;
  }
}

/** The goal's needs and theirs, of each either the first way, and the goal itself. */
function ownNeeds(goal) {
  const found = new Map();
  const visit = (key) => {
    if (found.has(key)) return;
    found.set(key, SIDE_OF.get(key));
    const { needs } = COURSE.sides.find((side) => side.key === key);
    for (const [way] of needs) way.forEach(visit);
  };
  visit(sideKey(goal.subject, goal.side));
  return [...found.values()];
}

/** A need that is cleared, but not so many in a row as something asks. */
function shortCount(standings, needs) {
  const locked = standings.filter(
    (one) => one.status === "locked" && needs.has(sideKey(one.subject, one.side)),
  );
  const met = new Map(standings.map((one) => [sideKey(one.subject, one.side), core.isMet(one.status)]));
  return locked.flatMap((one) => one.unmet).find((one) => met.get(sideKey(one.subject, one.side))) ?? null;
}

function plainly(course, goal, choose) {
  const needs = ownNeeds(goal).sort(
    (one, other) => CATALOGUE.levels.get(one.subject) - CATALOGUE.levels.get(other.subject),
  );
  const levels = new Map(needs.map((one) => [sideKey(one.subject, one.side), one]));
  return (standings) => {
    const open = standings.filter(
      (one) =>
        levels.has(sideKey(one.subject, one.side)) && (one.status === "ready" || one.status === "working"),
    );
    open.sort((one, other) => CATALOGUE.levels.get(one.subject) - CATALOGUE.levels.get(other.subject));
    const about = choose(open) ?? shortCount(standings, levels);
    if (about === null) return null;
    return { about, drill: core.gateDrill(about.gate), chance: null, after: () => undefined };
  };
}

const POLICIES = {
  mirrup: byMirrup,
  "in order of depth": (course, goal) => plainly(course, goal, ([first]) => first),
  "a random ready one": (course, goal) => {
    const random = cohort.randomFrom(course.student.seed + 99);
    return plainly(course, goal, (open) => open[cohort.between(random, 0, open.length - 1)]);
  },
};

/** From where the student stands to the goal: tries and lessons. */
function toGoal(student, goal, policy) {
  const course = new Course(student, student.seed);
  const choose = policy(course, goal);
  for (;;) {
    const standings = course.standings();
    const item = standings.find((one) => one.subject === goal.subject && one.side === goal.side);
    const reached = item.facts.cleared !== null;
    if (reached || course.lessons > MOST_LESSONS) return { ...course, reached };
    const chosen = choose(standings);
    if (chosen?.ends === true) continue;
    if (chosen === null) return { ...course, reached: false };
    course.run(chosen.about, chosen.drill, chosen.chance, chosen.about.aim ?? null);
    chosen.after();
  }
}

/** A goal a few steps ahead: what the student cannot do yet, with two to six needs that they cannot either. */
function goalOf(student) {
  const random = cohort.randomFrom(student.seed + 3);
  const unknown = (key) => !cohort.knows(student, key);
  const goals = [...SIDE_OF].flatMap(([key, about]) => {
    if (!unknown(key) || about.side === (student.strongerSide === "left" ? "right" : "left")) return [];
    const missing = ownNeeds(about).filter((one) => unknown(sideKey(one.subject, one.side))).length - 1;
    return missing >= 2 && missing <= 6 ? [about] : [];
  });
  return goals[cohort.between(random, 0, goals.length - 1)];
}

export async function benchCoaching() {
  const results = Object.fromEntries(Object.keys(POLICIES).map((name) => [name, []]));
  for (let place = 0; place < STUDENTS; place += 1) {
    const level = 0.05 + (0.45 * (place + 0.5)) / STUDENTS;
    const student = cohort.simulateStudent(COURSE, SEED + place, level);
    const goal = goalOf(student);
    if (goal === undefined) continue;
    for (const [name, policy] of Object.entries(POLICIES)) results[name].push(toGoal(student, goal, policy));
  }
  const mean = (name, key) =>
    results[name].reduce((sum, one) => sum + one[key], 0) / Math.max(1, results[name].length);
  for (const name of Object.keys(POLICIES)) {
    const reached = results[name].filter((one) => one.reached).length;
    const tries = median(results[name].map((one) => one.tries));
    console.log(
      `${name}: ${reached} of ${results[name].length} reached the goal; mean ${mean(name, "tries").toFixed(0)} tries, ${mean(name, "lessons").toFixed(1)} lessons; median ${tries} tries`,
    );
  }
  const plain = Object.keys(POLICIES)
    .slice(1)
    .sort((one, other) => mean(one, "tries") - mean(other, "tries"))[0];
  printRatio(
    "tries to the goal with Mirrup's proposals",
    mean("mirrup", "tries"),
    mean(plain, "tries"),
    plain,
    "",
  );
  printRatio("lessons to the goal", mean("mirrup", "lessons"), mean(plain, "lessons"), plain, "");
  const said = results.mirrup.flatMap((one) => one.said);
  for (const [place, from] of BANDS.slice(0, -1).entries()) {
    const here = said.filter(([chance]) => chance >= from && chance < BANDS[place + 1]);
    if (here.length === 0) continue;
    const mean = here.reduce((sum, [chance]) => sum + chance, 0) / here.length;
    const came = here.filter(([, isTrue]) => isTrue).length / here.length;
    console.log(
      `the rung's chance: said ${(100 * mean).toFixed(0)} %, came true ${(100 * came).toFixed(0)} % of ${here.length} times`,
    );
  }
}

if (process.argv[1] === import.meta.filename) await main(benchCoaching);
