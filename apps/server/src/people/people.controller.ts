import type { Done, InvitationRequest, Items, MemberView, RoleRequest } from "@mirrup/contract";
import { doneReply, idParam, invitationRequest, membersReply, roleRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Get, Param, Patch, Post, Req } from "@nestjs/common";
import type { Request } from "express";
import { Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { letterAddress } from "../mail/index.js";
import { PeopleService } from "./people.service.js";

const DONE: Done = { done: true };

@Controller("people")
export class PeopleController {
  constructor(private readonly people: PeopleService) {}

  @Get()
  @Reading({
    says: "Who belongs to the studio",
    for: "owner",
    reply: membersReply,
  })
  async list(@Within() scope: Scope): Promise<Items<MemberView>> {
    return { items: await this.people.list(scope) };
  }

  @Post("invitations")
  @Command({
    says: "Sends someone a one-time link into the studio",
    for: "owner",
    reply: doneReply,
    audit: ["invited"],
    pace: "letters",
    touches: ["studio"],
  })
  async invite(
    @Within() scope: Scope,
    @Req() request: Request,
    @Body({ schema: invitationRequest }) invitation: InvitationRequest,
  ): Promise<Done> {
    const address = letterAddress(request);
    await this.people.invite(scope, invitation, address);
    return DONE;
  }

  @Patch(":id")
  @Command({
    says: "Gives someone another part in the studio",
    for: "owner",
    reply: doneReply,
    refuses: [409],
    audit: ["role-changed"],
    touches: ["studio"],
  })
  async changeRole(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: roleRequest }) { role }: RoleRequest,
  ): Promise<Done> {
    await this.people.changeRole(scope, id, role);
    return DONE;
  }

  @Delete("me")
  @Command({
    says: "Leaves the studio; the account stays one's own",
    for: "viewer",
    reply: doneReply,
    refuses: [409],
    audit: ["left"],
    touches: ["studio"],
  })
  async leave(@Within() scope: Scope): Promise<Done> {
    await this.people.leave(scope);
    return DONE;
  }

  @Delete(":id")
  @Command({
    says: "Takes someone out of the studio; their account stays theirs",
    for: "owner",
    reply: doneReply,
    refuses: [409],
    audit: ["removed"],
    touches: ["studio"],
  })
  async remove(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.people.remove(scope, id);
    return DONE;
  }
}
