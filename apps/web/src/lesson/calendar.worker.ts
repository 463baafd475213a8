/** Reads calendars off the main thread: an event may repeat without end. */
import { expose } from "comlink";
import { readCalendar } from "./calendar-file.js";

const worker = { read: readCalendar };
export type CalendarWorker = typeof worker;

expose(worker);
