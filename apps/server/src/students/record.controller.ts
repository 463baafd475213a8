import type { Done, StudentRecord } from "@mirrup/contract";
import { doneReply, idParam, studentRecordReply } from "@mirrup/contract/schemas";
import { Controller, Delete, Get, Param } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { RecordService } from "./record.service.js";

const DONE: Done = { done: true };

@Controller("students/:id")
export class RecordController {
  constructor(
    private readonly scopes: Scopes,
    private readonly records: RecordService,
  ) {}

  /** Everything that is kept about one student. */
  @Get("export")
  @For("owner")
  @Reply(studentRecordReply, 400, 401, 403, 404, 410)
  export(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<StudentRecord> {
    return this.scopes.run(member, (scope) => this.records.export(scope, id));
  }

  /** Deletes one student for good, with everything of theirs. */
  @Delete()
  @For("owner")
  @Reply(doneReply, 400, 401, 403, 404, 410)
  async delete(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.scopes.run(member, (scope) => this.records.delete(scope, id));
    return DONE;
  }
}
