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
export { Pupil } from "./pupil.js";
export { Trainee, type Attempt, type Learner } from "./trainee.js";
export {
  atRandom,
  byProposal,
  coached,
  goalFor,
  IN_ORDER,
  ownNeeds,
  startsOf,
  type Coached,
  type Coaching,
  type Policy,
  type Said,
} from "./coached/coached.js";
export { lessonsOf, type LessonSet, type Teaching } from "./history.js";
