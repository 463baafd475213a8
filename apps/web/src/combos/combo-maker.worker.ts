/** Makes combos up off the main thread. */
import {
  makeCombos,
  type CombosAsked,
  type CombosMade,
  type MadeCombo,
  type PoolPart,
} from "@mirrup/core/combos";
import { expose } from "comlink";

export interface ComboMaker {
  make: (
    pool: readonly PoolPart[],
    asked: CombosAsked,
    onFound: (combos: readonly MadeCombo[], share: number) => void,
  ) => CombosMade;
}

const maker: ComboMaker = { make: (pool, asked, onFound) => makeCombos(pool, asked, onFound) };

expose(maker);
