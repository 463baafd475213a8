export { ChangesModule } from "./changes.module.js";
export { ChangeFeed } from "./feed.js";
