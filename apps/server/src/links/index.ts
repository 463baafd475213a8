export { endLinks, knowLink, makeInvitation, makeReset, takeLink } from "./links.js";
