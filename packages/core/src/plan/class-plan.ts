/**
 * What a class does in these minutes: warm-up together, turns at stations, a close together. Who is where
 * is searched (`class-search`) for the most useful minutes over all students: nobody idle, nobody at a
 * locked skill, no more at a station than its clear circles hold, a coach where it can hurt or is hard.
 */
import { classBound, sameForAll } from "./class-bound.js";
import { searchClass } from "./class-search.js";
import { ClassTable } from "./class-table.js";
import { classTimes } from "./class-times.js";
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

/** The most stations, up to those asked for, at which everybody has room; jumpers at once at each. */
function roomFor(
  { floor, stations }: ClassAsked,
  students: readonly ClassStudent[],
): { readonly stations: number; readonly room: number | null } {
  if (floor === null) return { stations, room: null };
  const radius = Math.max(...students.map((one) => clearRadius(one.heightMm)));
  const circles = circlesThatFit(floor, radius);
  for (let count = Math.min(stations, circles); count > 0; count -= 1) {
    const room = Math.floor(circles / count);
    if (2 * room * count >= students.length) return { stations: count, room };
  }
  return { stations: 0, room: circles };
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
  const fit = roomFor(asked, students);
  if (fit.stations === 0) {
    return { ...EMPTY, faults: [{ code: "floor-too-small", holds: 2 * (fit.room ?? 0) }] };
  }
  const bans = new Set(asked.bans);
  const allowed = students.map((one) => ({
    ...one,
    options: one.options.filter((option) => !bans.has(option.subject)),
  }));
  const idle = allowed.filter((one) => one.options.length === 0).map((one) => one.id);
  const able = allowed.filter((one) => one.options.length > 0);
  const idleFault: readonly ClassFault[] =
    idle.length === 0 ? [] : [{ code: "nothing-open", students: idle }];
  if (able.length === 0) return { ...EMPTY, faults: idleFault };
  const { warmUp, turns, close } = classTimes(asked.minutes, asked.turns);
  const kept = before.rotations.slice(0, CLASS_LIMITS.rotations);
  const minutes = [...kept.map((one) => one.minutes), ...turns.slice(kept.length)];
  const table = new ClassTable({ asked, students: able, minutes, before, ...fit });
  const measures = { sameForAll: sameForAll(table), most: classBound(table) };
  const planOf = (): ClassPlan => ({
    warmUpMinutes: warmUp,
    closeMinutes: close,
    ...table.plan(),
    room: fit.room,
    ...measures,
    faults: [...idleFault, ...table.faults()],
  });
  searchClass(table, asked.seed, (share) => onProgress(share, planOf()));
  return planOf();
}
