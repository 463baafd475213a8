export { floorAddress } from "./drill-address.js";
