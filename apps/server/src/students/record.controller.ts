import type { Done, StudentRecord } from "@mirrup/contract";
import { doneReply, idParam, studentRecordReply } from "@mirrup/contract/schemas";
import { Controller, Delete, Get, Param } from "@nestjs/common";
import { Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { RecordService } from "./record.service.js";

const DONE: Done = { done: true };

@Controller("students/:id")
export class RecordController {
  constructor(private readonly records: RecordService) {}

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
