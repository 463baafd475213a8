import type { Items, PairChange, StudentPair } from "@mirrup/contract";
import { pairChange, pairsReply } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Put } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { PairsService } from "./pairs.service.js";

@Controller("pairs")
export class PairsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly pairs: PairsService,
  ) {}

  /** Who is to be apart, and who together; not for viewers to read. */
  @Get()
  @For("coach")
  @Reply(pairsReply, 401, 403)
  list(@Asking() member: Member): Promise<Items<StudentPair>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.pairs.list(scope) }));
  }

  /** Says of two students what they are to be; the answer has all pairs. */
  @Put()
  @For("coach")
  @Reply(pairsReply, 400, 401, 403, 404, 410)
  say(
    @Asking() member: Member,
    @Body({ schema: pairChange }) change: PairChange,
  ): Promise<Items<StudentPair>> {
    return this.scopes.run(member, async (scope) => {
      await this.pairs.say(scope, change);
      return { items: await this.pairs.list(scope) };
    });
  }
}
