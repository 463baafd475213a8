import type { Items, PairChange, StudentPair } from "@mirrup/contract";
import { pairChange, pairsReply } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Put } from "@nestjs/common";
import { Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { PairsService } from "./pairs.service.js";

@Controller("pairs")
export class PairsController {
  constructor(private readonly pairs: PairsService) {}

  @Get()
  @Reading({
    says: "Who is to be apart, and who together; not for viewers to read",
    for: "coach",
    reply: pairsReply,
  })
  async list(@Within() scope: Scope): Promise<Items<StudentPair>> {
    return { items: await this.pairs.list(scope) };
  }

  @Put()
  @Command({
    says: "Says of two students what they are to be; the answer has all pairs",
    for: "coach",
    reply: pairsReply,
    refuses: [410],
    audit: { because: "why two are apart is told to nobody, and that they are is seen where it is said" },
    touches: ["pairs"],
  })
  async say(
    @Within() scope: Scope,
    @Body({ schema: pairChange }) change: PairChange,
  ): Promise<Items<StudentPair>> {
    await this.pairs.say(scope, change);
    return { items: await this.pairs.list(scope) };
  }
}
