import type { Items, NewStudent, StudentChange, StudentDetail, StudentView } from "@mirrup/contract";
import {
  idParam,
  newStudent,
  studentChange,
  studentDetail,
  studentDetails,
  studentReply,
  studentsReply,
} from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Patch, Post } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { AuditService } from "../audit/index.js";
import { type Member, Scopes } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { RosterService } from "./roster.service.js";
import { StudentsService } from "./students.service.js";

@Controller("students")
export class StudentsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly roster: RosterService,
    private readonly audit: AuditService,
  ) {}

  /** Every student, archived ones too, each with what comes next. */
  @Get()
  @For("viewer")
  @Reply(studentsReply, 401, 404)
  list(@Asking() member: Member): Promise<Items<StudentView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.roster.list(scope) }));
  }

  /** The records of all students, for a file; written down, since so much leaves at once. */
  @Get("details")
  @For("coach")
  @Reply(studentDetails, 401, 403, 404)
  details(@Asking() member: Member): Promise<Items<StudentDetail>> {
    return this.scopes.run(member, async (scope) => {
      const students = await this.students.list(scope, true);
      await this.audit.note(scope, "exported-all", { about: `${students.length} students` });
      return { items: await this.students.details(scope, students) };
    });
  }

  /** Adds a student; a name is enough. */
  @Post()
  @For("coach")
  @Reply(studentDetail, 400, 401, 403, 404, 422)
  create(
    @Asking() member: Member,
    @Body({ schema: newStudent }) student: NewStudent,
  ): Promise<StudentDetail> {
    return this.scopes.run(member, (scope) => this.students.create(scope, student));
  }

  @Get(":id")
  @For("viewer")
  @Reply(studentReply, 400, 401, 404, 410)
  read(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<StudentView> {
    return this.scopes.run(member, (scope) => this.roster.read(scope, id));
  }

  @Get(":id/detail")
  @For("viewer")
  @Reply(studentDetail, 400, 401, 404, 410)
  detail(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<StudentDetail> {
    return this.scopes.run(member, (scope) => this.students.detail(scope, id));
  }

  /** Changes some fields; refuses what was made from an older state. */
  @Patch(":id")
  @For("coach")
  @Reply(studentDetail, 400, 401, 403, 404, 409, 410, 422)
  change(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: studentChange }) change: StudentChange,
  ): Promise<StudentDetail> {
    return this.scopes.run(member, (scope) => this.students.change(scope, id, change));
  }
}
