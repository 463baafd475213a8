import type { Items, ProgrammeProgress, ProgrammeProgressQuery } from "@mirrup/contract";
import { programmeParam, programmeProgressQuery, programmeProgressReply } from "@mirrup/contract/schemas";
import { Controller, Get, Param, Query } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Reading, Within } from "../door/index.js";
import { ProgrammesService } from "./programmes.service.js";

@Controller("programmes")
export class ProgrammesController {
  constructor(private readonly programmes: ProgrammesService) {}

  @Get(":programme/progress")
  @Reading({
    says: "How far students are with a programme: what is done of it, by the record or by hand, and who has finished",
    for: "viewer",
    reply: programmeProgressReply,
    refuses: [410],
  })
  async progress(
    @Within() scope: Scope,
    @Param("programme", { schema: programmeParam }) programme: string,
    @Query({ schema: programmeProgressQuery }) query: ProgrammeProgressQuery,
  ): Promise<Items<ProgrammeProgress>> {
    return { items: await this.programmes.progress(scope, programme, query) };
  }
}
