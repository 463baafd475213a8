export { CHANNEL } from "./tell-change.js";
export { declaredRoutes } from "./declared.js";
export { DoorModule } from "./door.module.js";
export { Asking, Within } from "./within.js";
export { bodyParsers } from "./body-parsers.js";
export { asKeys, inItems, inPath } from "./naming.js";
export { auditsOf, Command, Reading, refusalsOf, type Route } from "./route.js";
export { tellChange } from "./tell-change.js";
