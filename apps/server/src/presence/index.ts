export { PresenceModule } from "./presence.module.js";
