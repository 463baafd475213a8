import type { Done, Items, JumpMeasure, JumpRequest } from "@mirrup/contract";
import { doneReply, idParam, jumpRequest, jumpsReply } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Put } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Command, inPath, Reading, Within } from "../door/index.js";
import { JumpsService } from "./jumps.service.js";
import { StudentsService } from "./students.service.js";

@Controller("students/:id/jumps")
export class JumpsController {
  constructor(
    private readonly students: StudentsService,
    private readonly jumps: JumpsService,
  ) {}

  @Get()
  @Reading({
    says: "How high the student jumps, as it was measured; the newest first",
    for: "viewer",
    reply: jumpsReply,
  })
  async list(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<JumpMeasure>> {
    await this.students.getOrThrow(scope, id);
    return { items: await this.jumps.list(scope, id) };
  }

  @Put()
  @Command({
    says: "Keeps a measured jump, or takes it back",
    for: "coach",
    reply: doneReply,
    refuses: [410],
    audit: { because: "a measure stands in the student's own record, with how it was taken" },
    touches: ["students"],
    of: inPath,
    follows: inPath,
  })
  async say(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: jumpRequest }) request: JumpRequest,
  ): Promise<Done> {
    await this.students.hold(scope, id);
    await this.jumps.say(scope, id, request);
    return { done: true };
  }
}
