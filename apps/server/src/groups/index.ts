export { GroupEntity } from "./group.entity.js";
export { GroupsModule } from "./groups.module.js";
export { MembersService } from "./members.service.js";
