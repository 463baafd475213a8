import type { ComboPart } from "@mirrup/core/combos";
import { useStateHistory } from "@mantine/hooks";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import { useKeptParams } from "../app/use-kept-params.js";
import { addressOfParts, LONGEST_ADDRESS, readParts } from "./bench-address.js";
import type { Parts } from "./bench.js";
import type { KnownCombo } from "./combo-part.js";

export interface Bench {
  readonly parts: readonly ComboPart[];
  /** What the address asked for and nobody here knows; it was left out. */
  readonly unknown: readonly string[];
  /** Puts other parts on the bench, as one step that can be undone. */
  readonly put: (parts: Parts) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

const DRAFT = "mirrup-bench";

/** The bench: its parts, every step undoable, in the address and on the device as they change. */
export function useBench(combos: readonly KnownCombo[]): Bench {
  const [params] = useSearchParams();
  // What lay on the bench in this tab, where the address does not say.
  const [read] = useState(() =>
    readParts(params.get("parts") ?? sessionStorage.getItem(DRAFT) ?? "", combos),
  );
  const [parts, { set, back, forward }, { current, history }] = useStateHistory<Parts>(read.parts);
  const address = addressOfParts(parts);
  useEffect(() => {
    sessionStorage.setItem(DRAFT, address);
  }, [address]);
  useKeptParams(address, (after) => {
    if (address === "" || address.length > LONGEST_ADDRESS) after.delete("parts");
    else after.set("parts", address);
    return after;
  });
  return {
    parts,
    // Of the first step alone: whoever goes on has seen it.
    unknown: current === 0 ? read.unknown : [],
    put: set,
    undo: current === 0 ? null : () => back(),
    redo: current === history.length - 1 ? null : () => forward(),
  };
}
