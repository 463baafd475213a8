import type { Done, Tapped } from "@mirrup/contract";
import { doneReply, idParam, tapped } from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Param, Put } from "@nestjs/common";
import { Command, inPath, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { StopsService } from "./stops.service.js";
import { StudentsService } from "./students.service.js";

const DONE: Done = { done: true };

@Controller("students/:id/stop")
export class StopsController {
  constructor(
    private readonly students: StudentsService,
    private readonly stops: StopsService,
  ) {}

  @Put()
  @Command({
    says: "Ends jumping for one student on the day it is said: no drill is offered to them any more",
    for: "coach",
    reply: doneReply,
    refuses: [410],
    audit: ["stopped-early"],
    touches: ["students"],
    of: inPath,
    follows: inPath,
  })
  async stop(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: tapped }) said: Tapped,
  ): Promise<Done> {
    await this.students.hold(scope, id);
    await this.stops.say(scope, id, true, said);
    return DONE;
  }

  @Delete()
  @Command({
    says: "Takes an early stop back",
    for: "coach",
    reply: doneReply,
    refuses: [410],
    audit: ["took-stop-back"],
    touches: ["students"],
    of: inPath,
    follows: inPath,
  })
  async takeBack(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: tapped }) said: Tapped,
  ): Promise<Done> {
    await this.students.hold(scope, id);
    await this.stops.say(scope, id, false, said);
    return DONE;
  }
}
