import { inWorker } from "../app/in-worker.js";
import type { CalendarContext, ReadCalendar } from "./calendar-file.js";
import type { CalendarWorker } from "./calendar.worker.js";

/** Reads the lessons to come from a calendar's file, beside the page. */
export function readCalendarFile(text: string, context: CalendarContext): Promise<ReadCalendar> {
  const worker = new Worker(new URL("./calendar.worker.ts", import.meta.url), { type: "module" });
  return inWorker<CalendarWorker, ReadCalendar>(worker, (calendar) => calendar.read(text, context));
}
