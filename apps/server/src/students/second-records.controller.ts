import type { BroughtOver, SecondRecord } from "@mirrup/contract";
import { broughtOverReply, idParam, secondRecord } from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Param, Post } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Command, Within } from "../door/index.js";
import { SecondRecordsService } from "./second-records.service.js";

@Controller("students/:id/second-records")
export class SecondRecordsController {
  constructor(private readonly records: SecondRecordsService) {}

  @Post()
  @Command({
    says: "Makes another record of the same child part of this one, with all that was said of it",
    for: "coach",
    reply: broughtOverReply,
    refuses: [409, 410, 422],
    audit: ["brought-together"],
    pace: "heavy",
    touches: ["students", "groups", "lessons"],
  })
  bringTogether(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: secondRecord }) second: SecondRecord,
  ): Promise<BroughtOver> {
    return this.records.bringTogether(scope, id, second.id);
  }

  @Delete(":second")
  @Command({
    says: "Takes a second record out of this one again, with what came with it",
    for: "coach",
    reply: broughtOverReply,
    refuses: [410],
    audit: ["took-apart"],
    pace: "heavy",
    touches: ["students", "groups", "lessons"],
  })
  takeApart(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Param("second", { schema: idParam }) second: string,
  ): Promise<BroughtOver> {
    return this.records.takeApart(scope, id, second);
  }
}
