import type { SetsReply, SetsRequest } from "@mirrup/contract";
import { setsReply, setsRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Post } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { type Member, Scopes } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { SetsService } from "./sets.service.js";

@Controller("sets")
export class SetsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly sets: SetsService,
  ) {}

  /** Takes a batch of sets into the log in one transaction, each id once. */
  @Post()
  @For("coach")
  @Reply(setsReply, 400, 401, 403, 404, 409, 410, 422, 503)
  log(@Asking() member: Member, @Body({ schema: setsRequest }) request: SetsRequest): Promise<SetsReply> {
    return this.scopes.run(member, (scope) => this.sets.log(scope, request));
  }
}
