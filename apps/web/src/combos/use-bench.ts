import type { ComboPart } from "@mirrup/core/combos";
import { useHotkeys } from "@mantine/hooks";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import { useKeptParams } from "../app/use-kept-params.js";
import { addressOfParts, LONGEST_ADDRESS, partsFrom } from "./bench-address.js";
import type { Parts } from "./bench.js";
import type { KnownCombo } from "./combo-part.js";

interface History {
  readonly past: readonly Parts[];
  readonly now: Parts;
  readonly future: readonly Parts[];
}

export interface Bench {
  readonly parts: readonly ComboPart[];
  /** Puts other parts on the bench, as one step that can be undone. */
  readonly put: (parts: Parts) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

const DRAFT = "mirrup-bench";
const MOST_STEPS = 200;

/** What lay on the bench in this tab, where the address does not say. */
function draftOf(params: URLSearchParams, combos: readonly KnownCombo[]): Parts {
  return partsFrom(params.get("parts") ?? sessionStorage.getItem(DRAFT) ?? "", combos);
}

/** The bench: its parts, every step undoable, in the address and on the device as they change. */
export function useBench(combos: readonly KnownCombo[]): Bench {
  const [params] = useSearchParams();
  const [history, setHistory] = useState<History>(() => ({
    past: [],
    now: draftOf(params, combos),
    future: [],
  }));
  const { past, now, future } = history;
  const address = addressOfParts(now);
  useEffect(() => {
    sessionStorage.setItem(DRAFT, address);
  }, [address]);
  useKeptParams(address, (after) => {
    if (address === "" || address.length > LONGEST_ADDRESS) after.delete("parts");
    else after.set("parts", address);
    return after;
  });
  const back = past.at(-1);
  const [forth] = future;
  const undo =
    back === undefined
      ? null
      : () => setHistory({ past: past.slice(0, -1), now: back, future: [now, ...future] });
  const redo =
    forth === undefined
      ? null
      : () => setHistory({ past: [...past, now], now: forth, future: future.slice(1) });
  useHotkeys([
    ["mod+Z", () => undo?.()],
    ["mod+Y", () => redo?.()],
    ["mod+shift+Z", () => redo?.()],
  ]);
  return {
    parts: now,
    put: (parts) => setHistory({ past: [...past, now].slice(-MOST_STEPS), now: parts, future: [] }),
    undo,
    redo,
  };
}
