import type { Done } from "@mirrup/contract";
import { doneReply, idParam } from "@mirrup/contract/schemas";
import { Controller, Delete, Param, Put } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { StopsService } from "./stops.service.js";
import { StudentsService } from "./students.service.js";

const DONE: Done = { done: true };

@Controller("students/:id/stop")
export class StopsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly stops: StopsService,
  ) {}

  /** Ends jumping for one student today: no drill is offered to them any more. */
  @Put()
  @For("coach")
  @Reply(doneReply, 400, 401, 403, 404, 410)
  async stop(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.scopes.run(member, async (scope) => {
      await this.students.getOrThrow(scope, id);
      await this.stops.stop(scope, id);
    });
    return DONE;
  }

  /** Takes today's early stop back. */
  @Delete()
  @For("coach")
  @Reply(doneReply, 400, 401, 403, 404, 410)
  async takeBack(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.scopes.run(member, async (scope) => {
      await this.students.getOrThrow(scope, id);
      await this.stops.takeBack(scope, id);
    });
    return DONE;
  }
}
