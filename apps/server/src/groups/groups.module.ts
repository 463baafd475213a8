import { Module } from "@nestjs/common";
import { GroupsController } from "./groups.controller.js";
import { GroupsService } from "./groups.service.js";
import { MembersService } from "./members.service.js";

@Module({
  controllers: [GroupsController],
  providers: [GroupsService, MembersService],
  exports: [MembersService, GroupsService],
})
export class GroupsModule {}
