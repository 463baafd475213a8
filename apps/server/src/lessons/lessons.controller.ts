import type {
  Done,
  DoneSide,
  Items,
  LessonChange,
  LessonRun,
  LessonsQuery,
  LessonsRequest,
  LessonView,
} from "@mirrup/contract";
import {
  doneReply,
  doneSidesReply,
  idParam,
  lessonChange,
  lessonReply,
  lessonRun,
  lessonsQuery,
  lessonsReply,
  lessonsRequest,
} from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Get, Param, Patch, Post, Query } from "@nestjs/common";
import { asKeys, Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { DoneService } from "./done.service.js";
import { LessonsService } from "./lessons.service.js";

@Controller("lessons")
export class LessonsController {
  constructor(
    private readonly lessons: LessonsService,
    private readonly done: DoneService,
  ) {}

  @Get()
  @Reading({
    says: "The lessons of some days",
    for: "viewer",
    reply: lessonsReply,
  })
  async list(
    @Within() scope: Scope,
    @Query({ schema: lessonsQuery }) query: LessonsQuery,
  ): Promise<Items<LessonView>> {
    return { items: await this.lessons.list(scope, query) };
  }

  @Post()
  @Command({
    says: "Adds lessons, all or none",
    for: "coach",
    reply: lessonsReply,
    audit: { because: "a lesson is a timetable; what was done in it is in the log" },
    size: "batch",
    touches: ["lessons"],
  })
  async add(
    @Within() scope: Scope,
    @Body({ schema: lessonsRequest }) { lessons }: LessonsRequest,
  ): Promise<Items<LessonView>> {
    return { items: await this.lessons.add(scope, lessons) };
  }

  @Get(":id")
  @Reading({
    says: "One lesson, with what is planned for it and what has become of it",
    for: "viewer",
    reply: lessonReply,
  })
  read(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<LessonView> {
    return this.lessons.read(scope, id);
  }

  @Patch(":id")
  @Command({
    says: "Changes when, where and who; refuses what was made from an older state",
    for: "coach",
    reply: lessonReply,
    refuses: [409],
    audit: { because: "a lesson is a timetable; what was done in it is in the log" },
    size: "batch",
    touches: ["lessons"],
  })
  change(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: lessonChange }) change: LessonChange,
  ): Promise<LessonView> {
    return this.lessons.change(scope, id, change);
  }

  @Patch(":id/run")
  @Command({
    says: "What happens in the hall",
    for: "coach",
    reply: lessonReply,
    audit: { because: "a lesson is a timetable; what was done in it is in the log" },
    size: "batch",
    touches: ["lessons"],
    follows: asKeys("attendance", "ownRopes"),
  })
  run(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: lessonRun }) run: LessonRun,
  ): Promise<LessonView> {
    return this.lessons.run(scope, id, run);
  }

  @Delete(":id")
  @Command({
    says: "Takes a lesson out of the timetable; what was done in it stays in the log",
    for: "coach",
    reply: doneReply,
    audit: { because: "a lesson is a timetable; what was done in it is in the log" },
    touches: ["lessons"],
  })
  async remove(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.lessons.remove(scope, id);
    return { done: true };
  }

  @Get(":id/done")
  @Reading({
    says: "What its students did on its day",
    for: "viewer",
    reply: doneSidesReply,
  })
  async doneOf(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<DoneSide>> {
    const { day, students } = await this.lessons.read(scope, id);
    const ids = students.map((one) => one.studentId);
    return { items: await this.done.of(scope, day, ids) };
  }
}
