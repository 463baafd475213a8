import type { Done, LogPage, LogQuery, StudentRecord } from "@mirrup/contract";
import { doneReply, idParam, logQuery, logReply, studentRecordReply } from "@mirrup/contract/schemas";
import { Controller, Delete, Get, Param, Query } from "@nestjs/common";
import { Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { RecordService } from "./record.service.js";
import { TimelineService } from "./timeline/timeline.service.js";

const DONE: Done = { done: true };

@Controller("students/:id")
export class RecordController {
  constructor(
    private readonly records: RecordService,
    private readonly timeline: TimelineService,
  ) {}

  @Get("export")
  @Reading({
    says: "Everything that is kept about one student",
    for: "owner",
    reply: studentRecordReply,
    audit: ["exported"],
    pace: "heavy",
    refuses: [410],
  })
  export(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<StudentRecord> {
    return this.records.export(scope, id);
  }

  @Get("log")
  @Reading({
    says: "A page of a student's log, the newest first: sets as they were counted, decisions, lessons, early stops",
    for: "viewer",
    reply: logReply,
    refuses: [410],
  })
  log(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: logQuery }) query: LogQuery,
  ): Promise<LogPage> {
    return this.timeline.page(scope, id, query);
  }

  @Delete()
  @Command({
    says: "Deletes one student for good, with everything of theirs",
    for: "owner",
    reply: doneReply,
    refuses: [410],
    audit: ["deleted"],
    touches: ["students", "groups", "lessons", "pairs"],
  })
  async delete(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.records.delete(scope, id);
    return DONE;
  }
}
