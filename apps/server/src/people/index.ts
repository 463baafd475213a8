export { MembershipEntity } from "./membership.entity.js";
export { PeopleModule } from "./people.module.js";
