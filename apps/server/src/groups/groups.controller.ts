import type { GroupChange, GroupView, Items, NewGroup } from "@mirrup/contract";
import { groupChange, groupReply, groupsReply, idParam, newGroup } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Patch, Post } from "@nestjs/common";
import { Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { GroupsService } from "./groups.service.js";

@Controller("groups")
export class GroupsController {
  constructor(private readonly groups: GroupsService) {}

  @Get()
  @Reading({
    says: "The groups of the studio, in the order of the week",
    for: "viewer",
    reply: groupsReply,
  })
  async list(@Within() scope: Scope): Promise<Items<GroupView>> {
    return { items: await this.groups.list(scope) };
  }

  @Post()
  @Command({
    says: "Adds a group",
    for: "coach",
    reply: groupReply,
    audit: { because: "a group is a timetable" },
    touches: ["groups", "students"],
  })
  create(@Within() scope: Scope, @Body({ schema: newGroup }) group: NewGroup): Promise<GroupView> {
    return this.groups.create(scope, group);
  }

  @Patch(":id")
  @Command({
    says: "Changes a group and who is in it; refuses what was made from an older state",
    for: "coach",
    reply: groupReply,
    refuses: [409],
    audit: { because: "a group is a timetable" },
    touches: ["groups", "students"],
  })
  change(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: groupChange }) change: GroupChange,
  ): Promise<GroupView> {
    return this.groups.change(scope, id, change);
  }
}
