/** Which rung of a ladder the drill on the floor is. */
import type { RungItem } from "@mirrup/contract";
import { doseOf, type Drill } from "@mirrup/core";
import { addressOf, withAim } from "../app/drill-address.js";

/** The rung with this drill, else the one that is it but for its number; undefined where none is. */
export function rungHere<T extends Pick<RungItem, "drill">>(
  rungs: readonly T[],
  drill: Drill,
): T | undefined {
  const address = addressOf(drill).toString();
  const isIt = (one: Drill) => addressOf(one).toString() === address;
  return (
    rungs.find((rung) => isIt(rung.drill)) ?? rungs.find((rung) => isIt(withAim(rung.drill, doseOf(drill))))
  );
}
