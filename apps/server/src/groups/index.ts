export { GroupEntity } from "./group.entity.js";
export { GroupsModule } from "./groups.module.js";
export { GroupsService } from "./groups.service.js";
export { MembersService } from "./members.service.js";
