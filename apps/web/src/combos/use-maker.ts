import type { CombosAsked, CombosMade, MadeCombo, PoolPart } from "@mirrup/core/combos";
import { proxy, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { ComboMaker } from "./combo-maker.worker.js";

export type Making =
  | { readonly kind: "none" }
  | { readonly kind: "making"; readonly share: number; readonly found: readonly MadeCombo[] }
  | { readonly kind: "failed"; readonly message: string }
  | { readonly kind: "made"; readonly made: CombosMade };

/** Makes combos up in a worker; making others, or stopping, ends the work. What was found so far is kept. */
export function useMaker() {
  const [making, setMaking] = useState<Making>({ kind: "none" });
  const worker = useRef<Worker>(undefined);
  const end = () => {
    worker.current?.terminate();
    worker.current = undefined;
  };
  useEffect(() => end, []);
  const make = async (pool: readonly PoolPart[], asked: CombosAsked) => {
    end();
    setMaking({ kind: "making", share: 0, found: [] });
    const started = new Worker(new URL("./combo-maker.worker.ts", import.meta.url), { type: "module" });
    worker.current = started;
    let isOver = false;
    try {
      const made = await new Promise<CombosMade>((resolve, reject) => {
        started.addEventListener("error", () => reject(new Error("the worker broke")));
        const hear = proxy((found: readonly MadeCombo[], share: number) => {
          // A report may still be on its way when all is made.
          if (worker.current === started && !isOver) setMaking({ kind: "making", share, found });
        });
        wrap<ComboMaker>(started).make(pool, asked, hear).then(resolve, reject);
      });
      isOver = true;
      if (worker.current === started) setMaking({ kind: "made", made });
    } catch {
      if (worker.current === started)
        setMaking({ kind: "failed", message: "The combos could not be made. Try again, or ask for less." });
    } finally {
      started.terminate();
    }
  };
  const stop = () => {
    end();
    setMaking((now) =>
      now.kind === "making" ? { kind: "made", made: { ok: true, combos: now.found, isShort: true } } : now,
    );
  };
  return { making, make, stop };
}
