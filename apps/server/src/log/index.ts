export { DecisionEntity } from "./decision.entity.js";
export { clockAheadBy, happenedAt } from "./device-clock.js";
export { decisionsOf, voidedBy } from "./decisions-of.js";
export { decisionRequestOf, requestOf } from "./request.js";
export { SetEntity } from "./set.entity.js";
