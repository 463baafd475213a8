/**
 * The coaches' way through the hall: who is looked at in which minutes of a turn. Where a station asks for a coach,
 * one stays there; the others go round the stations that nobody looks at, longest where it is needed most, first to
 * those who begin something or are stuck, last to those who are near their gate.
 */
import type { NextReason } from "../next/next.js";
import type { Place, PlannedStudent, Rotation } from "./class.js";
import { CLASS_LIMITS } from "./weights.js";

/** A coach at a station for so many minutes of a turn. */
export interface Look {
  /** From 0. */
  readonly coach: number;
  readonly station: number;
  /** Minutes into the turn. */
  readonly from: number;
  readonly minutes: number;
  /** Those there, whoever needs it most first. */
  readonly students: readonly string[];
}

export interface CoachWay {
  /** By turn. */
  readonly turns: readonly (readonly Look[])[];
  /** Students who are at no station in any turn while a coach is there. */
  readonly unseen: readonly string[];
}

/** How much somebody asks to be looked at, by why they do it. */
const ASKS: Readonly<Record<NextReason["code"], number>> = {
  stuck: 3,
  new: 3,
  "near-gate": 2,
  "step-back": 2,
  "short-of-gate": 2,
  "whole-once": 2,
  opens: 1,
  "toward-goal": 1,
  "other-side": 1,
  "second-side": 1,
  review: 0.5,
};
/** What showing and going on ask. */
const ASKS_LITTLE = 0.25;
/** Who has not been looked at yet asks so many times as much. */
const NOT_YET = 2;
/** The shortest visit, minutes; visits are in halves of a minute. */
const VISIT = 1;
const HALF = 0.5;
/** Those who are near their gate are judged after they have practised. */
const LATE: ReadonlySet<NextReason["code"]> = new Set(["near-gate", "short-of-gate"]);

interface Here {
  readonly id: string;
  readonly asks: number;
  readonly isLate: boolean;
}

interface Stop {
  readonly station: number;
  readonly here: readonly Here[];
  readonly asks: number;
  readonly isLate: boolean;
}

const total = (numbers: readonly number[]) => numbers.reduce((sum, one) => sum + one, 0);

function hereOf(id: string, { reason }: Place, seen: ReadonlySet<string>): Here {
  const asks = reason === null ? ASKS_LITTLE : ASKS[reason.code];
  return { id, asks: asks * (seen.has(id) ? 1 : NOT_YET), isLate: reason !== null && LATE.has(reason.code) };
}

function stopAt(
  station: number,
  turn: number,
  students: readonly PlannedStudent[],
  seen: ReadonlySet<string>,
): Stop {
  const here = students
    .flatMap(({ id, places }) => {
      const place = places[turn] ?? null;
      return place?.station === station ? [hereOf(id, place, seen)] : [];
    })
    .sort((one, other) => other.asks - one.asks || (one.id < other.id ? -1 : 1));
  const late = total(here.filter((one) => one.isLate).map((one) => one.asks));
  const asks = total(here.map((one) => one.asks));
  return { station, here, asks, isLate: 2 * late > asks };
}

/** The stops shared out among so many coaches, each time to whoever has least to look at. */
function sharedOut(stops: readonly Stop[], coaches: number): readonly (readonly Stop[])[] {
  const ways: Stop[][] = Array.from({ length: coaches }, () => []);
  for (const stop of [...stops].sort((one, other) => other.asks - one.asks)) {
    const load = (way: readonly Stop[]) => total(way.map((one) => one.asks));
    [...ways].sort((one, other) => load(one) - load(other))[0]?.push(stop);
  }
  return ways;
}

/** One coach's stops of a turn with their minutes. */
function walked(stops: readonly Stop[], coach: number, minutes: number): readonly Look[] {
  const visited = [...stops]
    .sort((one, other) => other.asks - one.asks)
    .slice(0, Math.floor(minutes / VISIT));
  visited.sort((one, other) => Number(one.isLate) - Number(other.isLate) || one.station - other.station);
  const all = total(visited.map((one) => one.asks));
  const spare = minutes - VISIT * visited.length;
  let asked = 0;
  return visited.map(({ station, here, asks }, place) => {
    const at = (share: number, before: number) =>
      Math.round((before * VISIT + (all === 0 ? 0 : (spare * share) / all)) / HALF) * HALF;
    const from = at(asked, place);
    asked += asks;
    const until = place === visited.length - 1 ? minutes : at(asked, place + 1);
    return { coach, station, from, minutes: until - from, students: here.map((one) => one.id) };
  });
}

/** The way of so many coaches through a plan. O(turns · stations · students). */
export function coachWay(
  {
    rotations,
    students,
  }: { readonly rotations: readonly Rotation[]; readonly students: readonly PlannedStudent[] },
  coaches: number,
): CoachWay {
  const seen = new Set<string>();
  const turns = rotations.map(({ minutes, stations }, turn): readonly Look[] => {
    const working = Math.max(0, minutes - CLASS_LIMITS.change);
    const stops = (watch: string) =>
      stations.flatMap(({ subject, watchedBy }, station) =>
        subject !== null && watchedBy === watch ? [stopAt(station, turn, students, seen)] : [],
      );
    const stays = stops("coach").slice(0, coaches);
    const staying = stays.map(({ station, here }, coach): Look => {
      return { coach, station, from: 0, minutes: working, students: here.map((one) => one.id) };
    });
    const free = coaches - stays.length;
    const ways =
      free === 0
        ? []
        : sharedOut(
            stops("nobody").filter((one) => one.here.length > 0),
            free,
          );
    const looks = [...staying, ...ways.flatMap((way, place) => walked(way, stays.length + place, working))];
    for (const look of looks) look.students.forEach((id) => seen.add(id));
    return looks;
  });
  const there = students.filter((one) => one.places.some((place) => place !== null));
  return { turns, unseen: there.map((one) => one.id).filter((id) => !seen.has(id)) };
}
