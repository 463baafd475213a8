export { floorAddress } from "./drill-address.js";
export { Round } from "./round.js";
export { useWakeLock } from "./use-wake-lock.js";
