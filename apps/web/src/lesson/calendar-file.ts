/**
 * Lessons as an iCalendar file (RFC 5545), and back. Hours are written as local time without a zone,
 * as a hall's clock shows them; an event in another zone is read at the hour that it has in the studio's.
 */
import type { GroupView, LessonView, NewLesson } from "@mirrup/contract";
import { MAX_LESSONS } from "@mirrup/contract";
import { dayAfter } from "@mirrup/core";
import ICAL from "ical.js";
import { v5 as uuidOf, validate } from "uuid";
import { skillName } from "../app/words.js";

/** Of uuids that are made from the events of other calendars, so that reading twice adds once. */
const NAMESPACE = "3f0b6c5e-2f54-4f0e-9c55-6f0d3a2f9a11";
const SUFFIX = "@mirrup";
const USUAL_MINUTES = 60;
const MOST_MINUTES = 240;

function planWords({ plan }: LessonView): string {
  if (plan === null) return "";
  return plan.rotations
    .map(({ minutes, stations }, turn) => {
      const drills = stations.flatMap(({ subject }) => (subject === null ? [] : [skillName(subject)]));
      return `Turn ${turn + 1}, ${minutes} min: ${drills.join(", ")}`;
    })
    .join("\n");
}

function eventOf(lesson: LessonView, stamp: Date): ICAL.Component {
  const event = new ICAL.Component("vevent");
  const start =
    lesson.startTime === null
      ? ICAL.Time.fromDateString(lesson.day)
      : ICAL.Time.fromDateTimeString(`${lesson.day}T${lesson.startTime}:00`);
  event.addPropertyWithValue("uid", `${lesson.id}${SUFFIX}`);
  event.addPropertyWithValue("dtstamp", ICAL.Time.fromJSDate(stamp, true));
  event.addPropertyWithValue("dtstart", start);
  if (lesson.startTime !== null) {
    event.addPropertyWithValue("duration", ICAL.Duration.fromSeconds(60 * lesson.minutes));
  }
  event.addPropertyWithValue("summary", lesson.title);
  if (lesson.place !== "") event.addPropertyWithValue("location", lesson.place);
  const words = planWords(lesson);
  if (words !== "") event.addPropertyWithValue("description", words);
  return event;
}

export function writeCalendar(lessons: readonly LessonView[], stamp: Date): string {
  const calendar = new ICAL.Component("vcalendar");
  calendar.addPropertyWithValue("version", "2.0");
  calendar.addPropertyWithValue("prodid", "-//Mirrup//Lessons//EN");
  for (const lesson of lessons) calendar.addSubcomponent(eventOf(lesson, stamp));
  return calendar.toString();
}

export type ReadCalendar =
  /** `unread` events had no day that could be read. */
  | { readonly ok: true; readonly lessons: readonly NewLesson[]; readonly unread: number }
  | { readonly ok: false; readonly message: string };

export interface CalendarContext {
  readonly groups: readonly GroupView[];
  /** The studio's zone. */
  readonly timeZone: string;
  /** From this day on, `days` days ahead. */
  readonly today: string;
  readonly days: number;
}

/** The day and hour that a time has in the studio's zone; a time without a zone is the hall's own. */
function hallTime(
  time: ICAL.Time,
  timeZone: string,
): { readonly day: string; readonly startTime: string | null } {
  if (time.isDate) return { day: time.toString(), startTime: null };
  const isFloating = time.zone === ICAL.Timezone.localTimezone;
  const text = isFloating
    ? time.toString()
    : new Intl.DateTimeFormat("sv-SE", {
        timeZone,
        dateStyle: "short",
        timeStyle: "short",
      }).format(time.toJSDate());
  const [day = "", hour = ""] = text.split(/[T ]/);
  return { day, startTime: hour.slice(0, "HH:MM".length) };
}

function lessonId(uid: string, day: string): string {
  const own = uid.endsWith(SUFFIX) ? uid.slice(0, -SUFFIX.length) : "";
  return validate(own) ? own.toLowerCase() : uuidOf(`${uid} ${day}`, NAMESPACE);
}

function minutesOf(event: ICAL.Event): number {
  const minutes = Math.round(event.duration.toSeconds() / 60);
  return minutes > 0 && minutes <= MOST_MINUTES ? minutes : USUAL_MINUTES;
}

/** Each of an event's days within the context, as lessons; a group of the event's name is its group. */
function lessonsOf(
  event: ICAL.Event,
  { groups, timeZone, today, days }: CalendarContext,
): readonly NewLesson[] {
  const end = dayAfter(today, days);
  const title = (typeof event.summary === "string" ? event.summary.trim() : "").slice(0, 120) || "Class";
  const groupId = groups.find((group) => group.name === title)?.id ?? null;
  const place = typeof event.location === "string" ? event.location.slice(0, 120) : "";
  const lessonAt = (time: ICAL.Time): NewLesson => {
    const { day, startTime } = hallTime(time, timeZone);
    return { id: lessonId(event.uid, day), title, day, startTime, minutes: minutesOf(event), place, groupId };
  };
  if (!event.isRecurring()) return [lessonAt(event.startDate)].filter(({ day }) => day >= today && day < end);
  const found: NewLesson[] = [];
  const iterator = event.iterator();
  for (let time = iterator.next(); time as ICAL.Time | null; time = iterator.next()) {
    const lesson = lessonAt(time);
    if (lesson.day >= end || found.length >= MAX_LESSONS) break;
    if (lesson.day >= today) found.push(lesson);
  }
  return found;
}

/** Reads the lessons to come; an event that repeats gives one for each of its days. */
export function readCalendar(text: string, context: CalendarContext): ReadCalendar {
  let events: readonly ICAL.Event[];
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    events = calendar.getAllSubcomponents("vevent").map((one) => new ICAL.Event(one));
  } catch {
    return {
      ok: false,
      message: "This is not a calendar file, or it is damaged. Choose a file that ends in .ics.",
    };
  }
  const read = events.map((event) => {
    // One event that cannot be read, such as one without a day, does not take the others with it.
    try {
      return lessonsOf(event, context);
    } catch {
      return null;
    }
  });
  const all = read.flatMap((lessons) => lessons ?? []);
  const unread = read.filter((lessons) => lessons === null).length;
  const lessons = [...new Map(all.map((lesson) => [lesson.id, lesson])).values()].slice(0, MAX_LESSONS);
  if (lessons.length === 0) {
    return {
      ok: false,
      message:
        unread > 0
          ? "No event of this calendar has a day that can be read. Save it again from your calendar."
          : "No lesson of the weeks ahead is in this calendar. Nothing was added.",
    };
  }
  return { ok: true, lessons, unread };
}
