export { DeletedStudentEntity, hashOfId } from "./deleted-student.entity.js";
export { goalsOf } from "./readings.js";
export { nextOptions } from "./roster.service.js";
export { PairsService } from "./pairs.service.js";
export { StopsService } from "./stops.service.js";
export { fittingRope } from "./rope.js";
export { leadingSide, NEW_STUDENT, StudentEntity } from "./student.entity.js";
export { StudentsModule } from "./students.module.js";
export { StudentsService } from "./students.service.js";
