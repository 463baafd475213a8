import type { Done, Membership, NewStudio, StudioDeletion } from "@mirrup/contract";
import { doneReply, membershipReply, newStudio, studioDeletion } from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Post, Req } from "@nestjs/common";
import type { Request } from "express";
import type { Scope } from "../database/scope.js";
import { Command, Within } from "../door/index.js";
import { StudiosService } from "./studios.service.js";

@Controller("studios")
export class StudiosController {
  constructor(private readonly studios: StudiosService) {}

  @Post()
  @Command({
    says: "Makes another studio, whose owner is whoever asks",
    for: "signed-in",
    reply: membershipReply,
    refuses: [409],
    audit: ["set-up"],
    pace: "letters",
    touches: [],
  })
  create(@Req() request: Request, @Body({ schema: newStudio }) studio: NewStudio): Promise<Membership> {
    return this.studios.create(request.session.personId ?? "", studio);
  }

  @Delete("mine")
  @Command({
    says: "Deletes the studio for good, with everything in it; its name is asked for",
    for: "owner",
    reply: doneReply,
    refuses: [409, 422],
    audit: { because: "its audit trail goes with it" },
    touches: [],
  })
  async delete(
    @Within() scope: Scope,
    @Body({ schema: studioDeletion }) asked: StudioDeletion,
  ): Promise<Done> {
    await this.studios.delete(scope, asked);
    return { done: true };
  }
}
