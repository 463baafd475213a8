import type {
  ArchivedStudent,
  Items,
  NewStudent,
  StudentChange,
  StudentDetail,
  StudentView,
} from "@mirrup/contract";
import {
  archivedReply,
  idParam,
  newStudent,
  studentChange,
  studentDetail,
  studentDetails,
  studentReply,
  studentsReply,
} from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Patch, Post } from "@nestjs/common";
import { Command, inPath, Reading, Within } from "../door/index.js";
import { AuditService } from "../audit/index.js";
import type { Scope } from "../database/scope.js";
import { RosterService } from "./roster.service.js";
import { StudentsService } from "./students.service.js";

@Controller("students")
export class StudentsController {
  constructor(
    private readonly students: StudentsService,
    private readonly roster: RosterService,
    private readonly audit: AuditService,
  ) {}

  @Get()
  @Reading({
    says: "Every student who is not archived, each with what comes next",
    for: "viewer",
    reply: studentsReply,
  })
  async list(@Within() scope: Scope): Promise<Items<StudentView>> {
    return { items: await this.roster.list(scope) };
  }

  @Get("archived")
  @Reading({
    says: "The students who are archived, by name",
    for: "viewer",
    reply: archivedReply,
  })
  async archived(@Within() scope: Scope): Promise<Items<ArchivedStudent>> {
    return { items: await this.students.archived(scope) };
  }

  @Get("details")
  @Reading({
    says: "The records of all students who are not archived, for a file; written down, since so much leaves at once",
    for: "coach",
    reply: studentDetails,
    audit: ["exported-all"],
    pace: "heavy",
  })
  async details(@Within() scope: Scope): Promise<Items<StudentDetail>> {
    const students = await this.students.list(scope);
    await this.audit.note(scope, "exported-all", { about: `${students.length} students` });
    return { items: await this.students.details(scope, students) };
  }

  @Post()
  @Command({
    says: "Adds a student; a name is enough",
    for: "coach",
    reply: studentDetail,
    refuses: [422],
    audit: ["added"],
    touches: ["students", "groups"],
  })
  create(@Within() scope: Scope, @Body({ schema: newStudent }) student: NewStudent): Promise<StudentDetail> {
    return this.students.create(scope, student);
  }

  @Get(":id")
  @Reading({
    says: "One student at a glance",
    for: "viewer",
    reply: studentReply,
    refuses: [410],
  })
  read(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<StudentView> {
    return this.roster.read(scope, id);
  }

  @Get(":id/detail")
  @Reading({
    says: "What is written down of one student",
    for: "viewer",
    reply: studentDetail,
    refuses: [410],
  })
  detail(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<StudentDetail> {
    return this.students.detail(scope, id);
  }

  @Patch(":id")
  @Command({
    says: "Changes some fields; refuses what was made from an older state",
    for: "coach",
    reply: studentDetail,
    refuses: [409, 410, 422],
    audit: ["changed-record"],
    touches: ["students", "groups"],
    of: inPath,
  })
  change(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: studentChange }) change: StudentChange,
  ): Promise<StudentDetail> {
    return this.students.change(scope, id, change);
  }
}
