export { playHandle, type Jumper, type Sending } from "./handle.js";
export { between, normal, randomFrom, type Random } from "./random.js";
export {
  KNOWN_CHANCE,
  courseOf,
  knows,
  shows,
  simulateCohort,
  simulateStudent,
  type Course,
  type Practised,
  type SimulatedStudent,
} from "./student.js";
export { Trainee, type Attempt } from "./trainee.js";
export { lessonsOf, type LessonSet, type Teaching } from "./history.js";
