import type { GroupChange, GroupView, Items, NewGroup } from "@mirrup/contract";
import { groupChange, groupReply, groupsReply, idParam, newGroup } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Patch, Post } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { GroupsService } from "./groups.service.js";

@Controller("groups")
export class GroupsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly groups: GroupsService,
  ) {}

  /** The groups of the studio, in the order of the week. */
  @Get()
  @For("viewer")
  @Reply(groupsReply, 401, 404)
  list(@Asking() member: Member): Promise<Items<GroupView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.groups.list(scope) }));
  }

  @Post()
  @For("coach")
  @Reply(groupReply, 400, 401, 403, 404)
  create(@Asking() member: Member, @Body({ schema: newGroup }) group: NewGroup): Promise<GroupView> {
    return this.scopes.run(member, (scope) => this.groups.create(scope, group));
  }

  @Patch(":id")
  @For("coach")
  @Reply(groupReply, 400, 401, 403, 404, 409)
  change(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: groupChange }) change: GroupChange,
  ): Promise<GroupView> {
    return this.scopes.run(member, (scope) => this.groups.change(scope, id, change));
  }
}
