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
export { CLASS_WAYS, heldClass, type ClassCoaching, type ClassWay } from "./coached/class.js";
export { coached, type Coached, type Coaching, type Policy, type Said } from "./coached/coached.js";
export { bandError, bandsOf, heldShare, type Band } from "./coached/measures.js";
export { peopleOf, POPULATIONS, type PeopleOptions, type Person, type Population } from "./coached/people.js";
export { atRandom, byProposal, IN_ORDER, ownNeeds } from "./coached/policies.js";
export { lessonsOf, type LessonSet, type Teaching } from "./history.js";
