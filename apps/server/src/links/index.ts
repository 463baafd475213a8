export { makeInvitation, makeReset, takeLink } from "./links.js";
