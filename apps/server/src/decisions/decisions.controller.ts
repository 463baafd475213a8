import type { DecisionsReply, DecisionsRequest, DecisionView, Items } from "@mirrup/contract";
import { decisionsReply, decisionsRequest, decisionsView, idParam } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Post } from "@nestjs/common";
import { Command, inItems, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { DecisionsService } from "./decisions.service.js";

@Controller()
export class DecisionsController {
  constructor(private readonly decisions: DecisionsService) {}

  @Post("decisions")
  @Command({
    says: "Takes clearings, reopenings, placements, gates and takings-back into the log, each id once",
    for: "coach",
    reply: decisionsReply,
    refuses: [409, 410, 422],
    audit: ["cleared", "reopened", "overrode", "took-back", "accepted"],
    size: "batch",
    touches: ["students"],
    of: inItems("decisions"),
    follows: inItems("decisions"),
  })
  log(
    @Within() scope: Scope,
    @Body({ schema: decisionsRequest }) request: DecisionsRequest,
  ): Promise<DecisionsReply> {
    return this.decisions.log(scope, request);
  }

  @Get("students/:id/decisions")
  @Reading({
    says: "What was decided about one student, newest first",
    for: "viewer",
    reply: decisionsView,
    refuses: [410],
  })
  async list(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<DecisionView>> {
    return { items: await this.decisions.list(scope, id) };
  }
}
