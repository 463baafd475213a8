export { AttendanceList } from "./attendance-list.js";
export { readCalendarFile } from "./calendar-in-worker.js";
export { lessonsQuery } from "./queries.js";
export { useLesson } from "./use-lesson.js";
/** Apart, so that the calendar's and the schemas' packages are loaded when a file is. */
export const calendarFile = () => import("./calendar-file.js");
export const lessonFile = () => import("./lesson-file.js");
