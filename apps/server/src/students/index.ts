export { DeletedStudentEntity, hashOfId } from "./deleted-student.entity.js";
export { NEW_STUDENT, StudentEntity } from "./student.entity.js";
export { StudentsModule } from "./students.module.js";
export { StudentsService } from "./students.service.js";
