import { hashKey, type QueryKey } from "@tanstack/react-query";
import { currentStudio } from "./studio.js";

/**
 * Under what a reading is kept: its key in the studio that the tab is in, so that one studio's children never stand
 * under another's address. Who is signed in is the same in all of them.
 */
export function queryHash(key: QueryKey): string {
  return hashKey(key[0] === "session" ? key : [currentStudio(), ...key]);
}
