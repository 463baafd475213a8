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
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { DoneService } from "./done.service.js";
import { LessonsService } from "./lessons.service.js";

@Controller("lessons")
export class LessonsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly lessons: LessonsService,
    private readonly done: DoneService,
  ) {}

  /** The lessons of some days. */
  @Get()
  @For("viewer")
  @Reply(lessonsReply, 400, 401, 404)
  list(
    @Asking() member: Member,
    @Query({ schema: lessonsQuery }) query: LessonsQuery,
  ): Promise<Items<LessonView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.lessons.list(scope, query) }));
  }

  /** Adds lessons, all or none. */
  @Post()
  @For("coach")
  @Reply(lessonsReply, 400, 401, 403, 404)
  add(
    @Asking() member: Member,
    @Body({ schema: lessonsRequest }) { lessons }: LessonsRequest,
  ): Promise<Items<LessonView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.lessons.add(scope, lessons) }));
  }

  @Get(":id")
  @For("viewer")
  @Reply(lessonReply, 400, 401, 404)
  read(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<LessonView> {
    return this.scopes.run(member, (scope) => this.lessons.read(scope, id));
  }

  @Patch(":id")
  @For("coach")
  @Reply(lessonReply, 400, 401, 403, 404, 409)
  change(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: lessonChange }) change: LessonChange,
  ): Promise<LessonView> {
    return this.scopes.run(member, (scope) => this.lessons.change(scope, id, change));
  }

  /** What happens in the hall. */
  @Patch(":id/run")
  @For("coach")
  @Reply(lessonReply, 400, 401, 403, 404)
  run(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: lessonRun }) run: LessonRun,
  ): Promise<LessonView> {
    return this.scopes.run(member, (scope) => this.lessons.run(scope, id, run));
  }

  @Delete(":id")
  @For("coach")
  @Reply(doneReply, 400, 401, 403, 404)
  async remove(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.scopes.run(member, (scope) => this.lessons.remove(scope, id));
    return { done: true };
  }

  /** What its students did on its day. */
  @Get(":id/done")
  @For("viewer")
  @Reply(doneSidesReply, 400, 401, 404)
  doneOf(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Items<DoneSide>> {
    return this.scopes.run(member, async (scope) => {
      const { day, students } = await this.lessons.read(scope, id);
      const ids = students.map((one) => one.studentId);
      return { items: await this.done.of(scope, day, ids) };
    });
  }
}
