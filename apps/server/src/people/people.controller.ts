import type { Done, InvitationRequest, Items, MemberView, RoleRequest } from "@mirrup/contract";
import { doneReply, idParam, invitationRequest, membersReply, roleRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Get, Param, Patch, Post, Req } from "@nestjs/common";
import type { Request } from "express";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { letterAddress } from "../mail/index.js";
import { Reply } from "../problems/reply.js";
import { PeopleService } from "./people.service.js";

const DONE: Done = { done: true };

@Controller("people")
export class PeopleController {
  constructor(
    private readonly scopes: Scopes,
    private readonly people: PeopleService,
  ) {}

  /** Who belongs to the studio. */
  @Get()
  @For("owner")
  @Reply(membersReply, 401, 403, 404)
  list(@Asking() member: Member): Promise<Items<MemberView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.people.list(scope) }));
  }

  /** Sends someone a one-time link into the studio. */
  @Post("invitations")
  @For("owner")
  @Reply(doneReply, 400, 401, 403, 404)
  async invite(
    @Asking() member: Member,
    @Req() request: Request,
    @Body({ schema: invitationRequest }) invitation: InvitationRequest,
  ): Promise<Done> {
    const address = letterAddress(request);
    await this.scopes.run(member, (scope) => this.people.invite(scope, invitation, address));
    return DONE;
  }

  @Patch(":id")
  @For("owner")
  @Reply(doneReply, 400, 401, 403, 404, 409)
  async changeRole(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: roleRequest }) { role }: RoleRequest,
  ): Promise<Done> {
    await this.scopes.run(member, (scope) => this.people.changeRole(scope, id, role));
    return DONE;
  }

  /** Takes someone out of the studio; their account stays theirs. */
  @Delete(":id")
  @For("owner")
  @Reply(doneReply, 400, 401, 403, 404, 409)
  async remove(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.scopes.run(member, (scope) => this.people.remove(scope, id));
    return DONE;
  }
}
