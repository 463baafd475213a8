import type { SetsReply, SetsRequest } from "@mirrup/contract";
import { setsReply, setsRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Post } from "@nestjs/common";
import { Command, inItems, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { SetsService } from "./sets.service.js";

@Controller("sets")
export class SetsController {
  constructor(private readonly sets: SetsService) {}

  @Post()
  @Command({
    says: "Takes a batch of sets into the log in one transaction, each id once",
    for: "coach",
    reply: setsReply,
    refuses: [409, 410, 422],
    audit: ["cleared"],
    size: "batch",
    touches: ["students"],
    of: inItems("sets"),
    follows: inItems("sets"),
  })
  log(@Within() scope: Scope, @Body({ schema: setsRequest }) request: SetsRequest): Promise<SetsReply> {
    return this.sets.log(scope, request);
  }
}
