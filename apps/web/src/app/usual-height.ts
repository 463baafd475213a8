import { defaultHeight, lowestHeight, scoreOf } from "@mirrup/core";

/** The height that a beat of so many turns is jumped at: of a multiple, the lowest at which the rope turns no faster. */
export function usualHeight(turns: number, turnRate: number): number {
  if (turns < 2) return defaultHeight(turns);
  return lowestHeight(scoreOf(`(${"o ".repeat(turns).trim()})`), 0, turnRate, {});
}
