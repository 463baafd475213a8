/**
 * What a class does in these minutes: warm-up together, turns at stations, a close together. Who is where
 * is searched (`class-search`) for the most useful minutes over all students: nobody idle, nobody at a
 * locked skill, no more at a station than its clear circles hold, a coach where it can hurt or is hard.
 */
import { classBound, sameForAll } from "./class-bound.js";
import { searchClass } from "./class-search.js";
import { ClassTable } from "./class-table.js";
import { classTimes } from "./class-times.js";
import { faultsOf, settle, writtenPlan } from "./class-written.js";
import type { ClassAsked, ClassBefore, ClassFault, ClassPlan, ClassStudent } from "./class.js";
import { circlesThatFit, clearRadius } from "./space.js";
import { CLASS_LIMITS } from "./weights.js";

const EMPTY: Omit<ClassPlan, "faults"> = {
  warmUpMinutes: 0,
  closeMinutes: 0,
  rotations: [],
  students: [],
  room: null,
  minutes: 0,
  useful: 0,
  sameForAll: 0,
  most: 0,
};

/** Jumpers at once for whom the floor has clear circles; null where it was not measured. */
function roomFor({ floor }: ClassAsked, students: readonly ClassStudent[]): number | null {
  if (floor === null) return null;
  return circlesThatFit(floor, Math.max(...students.map((one) => clearRadius(one.heightMm))));
}

function refusal(asked: ClassAsked, students: readonly ClassStudent[]): ClassFault | null {
  if (classTimes(asked.minutes, asked.turns).turns.length === 0) return { code: "no-minutes" };
  if (students.length === 0) return { code: "no-students" };
  if (asked.stations < 1) return { code: "no-stations" };
  if (students.length > CLASS_LIMITS.students) {
    return { code: "too-many-students", most: CLASS_LIMITS.students };
  }
  return null;
}

/** The students by what is known of them and not by who they are: the same class has the same plan. */
function byContent(students: readonly ClassStudent[], { placePins }: ClassAsked): readonly ClassStudent[] {
  const alone = new Map(
    students.map(({ id, apart: _apart, together: _together, ...known }) => [
      id,
      JSON.stringify([
        known,
        placePins.flatMap((pin) => (pin.student === id ? [pin.rotation, pin.station] : [])),
      ]),
    ]),
  );
  const others = (ids: readonly string[] = []) => ids.map((id) => alone.get(id) ?? "").sort();
  const texts = new Map(
    students.map((one) => [
      one,
      JSON.stringify([alone.get(one.id), others(one.apart), others(one.together)]),
    ]),
  );
  const text = (one: ClassStudent) => texts.get(one) ?? "";
  return [...students].sort((one, other) => (text(one) < text(other) ? -1 : text(one) > text(other) ? 1 : 0));
}

export type ClassProgress = (share: number, best: ClassPlan) => void;

/**
 * The best plan found; without blocks and with the reason where there can be none. `before` keeps its
 * turns as they are, and the search fills those after them. The same for the same question and seed.
 */
export function planClass(
  asked: ClassAsked,
  students: readonly ClassStudent[],
  before: ClassBefore = { rotations: [], students: [] },
  onProgress: ClassProgress = () => undefined,
): ClassPlan {
  const refused = refusal(asked, students);
  if (refused !== null) return { ...EMPTY, faults: [refused] };
  const room = roomFor(asked, students);
  if (room !== null && 2 * room < students.length) {
    return { ...EMPTY, faults: [{ code: "floor-too-small", holds: 2 * room }] };
  }
  const bans = new Set(asked.bans);
  const allowed = students.map((one) => ({
    ...one,
    options: one.options.filter((option) => !bans.has(option.subject)),
  }));
  const idle = allowed.filter((one) => one.options.length === 0).map((one) => one.id);
  const able = byContent(
    allowed.filter((one) => one.options.length > 0),
    asked,
  );
  const idleFault: readonly ClassFault[] =
    idle.length === 0 ? [] : [{ code: "nothing-open", students: idle }];
  if (able.length === 0) return { ...EMPTY, faults: idleFault };
  const { warmUp, turns, close } = classTimes(asked.minutes, asked.turns);
  const kept = before.rotations.slice(0, CLASS_LIMITS.rotations);
  const minutes = [...kept.map((one) => one.minutes), ...turns.slice(kept.length)];
  const table = new ClassTable({ asked, students: able, minutes, before, stations: asked.stations, room });
  const measures = { sameForAll: sameForAll(table), most: classBound(table) };
  const planned = () => {
    const plan = writtenPlan(table);
    const byId = new Map(plan.students.map((one) => [one.id, one]));
    return { ...plan, students: students.flatMap(({ id }) => byId.get(id) ?? []) };
  };
  const planOf = (): ClassPlan => ({
    warmUpMinutes: warmUp,
    closeMinutes: close,
    ...planned(),
    room,
    ...measures,
    faults: [...idleFault, ...faultsOf(table)],
  });
  searchClass(table, asked.seed, (share) => onProgress(share, planOf()));
  settle(table);
  return planOf();
}
