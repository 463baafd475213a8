import type { DecisionsReply, DecisionsRequest, DecisionView, Items } from "@mirrup/contract";
import { decisionsReply, decisionsRequest, decisionsView, idParam } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Post } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { DecisionsService } from "./decisions.service.js";

@Controller()
export class DecisionsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly decisions: DecisionsService,
  ) {}

  /** Takes clearings, reopenings, placements, gates and takings-back into the log, each id once. */
  @Post("decisions")
  @For("coach")
  @Reply(decisionsReply, 400, 401, 403, 404, 409, 410, 422, 503)
  log(
    @Asking() member: Member,
    @Body({ schema: decisionsRequest }) request: DecisionsRequest,
  ): Promise<DecisionsReply> {
    return this.scopes.run(member, (scope) => this.decisions.log(scope, request));
  }

  /** What was decided about one student, newest first. */
  @Get("students/:id/decisions")
  @For("viewer")
  @Reply(decisionsView, 400, 401, 404, 410)
  list(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Items<DecisionView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.decisions.list(scope, id) }));
  }
}
