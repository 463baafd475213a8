export {
  archivedQuery,
  classWeeksQuery,
  decisionsQuery,
  detailQuery,
  doneTodayQuery,
  gridQuery,
  groupsQuery,
  ladderQuery,
  lastSetsQuery,
  loadQuery,
  nextQuery,
  programmeQuery,
  pathQuery,
  planQuery,
  schoolsQuery,
  standingsQuery,
  studentProgrammeQuery,
  studentQuery,
  studentsQuery,
  studioQuery,
  weeksQuery,
} from "./queries.js";
export { LastSets } from "./last-sets.js";
export { useJumper, useMeasuredJumps } from "./measured-jumps.js";
export { MissMap } from "./miss-map.js";
export { MissPicture } from "./miss-picture.js";
export { namesakeOf } from "./namesake.js";
export { SkillBead } from "./skill-bead.js";
export { StudentFrame } from "./student-frame.js";
export { useDecide, type Deciding } from "./use-decide.js";
export { useTogether } from "./use-together.js";
export { useArchiving } from "./use-archiving.js";
export { namedWords, useEverybody, useNames, type Named } from "./use-everybody.js";
export { useStudents } from "./use-students.js";
export { useTicked } from "./use-ticked.js";
export { useTicks, type Tick } from "./use-ticks.js";
export { useSettings } from "./use-settings.js";
