import { proxy, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import { saveFile } from "../app/save-file.js";
import type { ClipAsked } from "./clip.js";
import type { ClipWorker } from "./clip.worker.js";

export type ClipState =
  | { readonly kind: "none" }
  /** 0 to 1. */
  | { readonly kind: "making"; readonly share: number }
  | { readonly kind: "saved"; readonly name: string; readonly isCut: boolean }
  | { readonly kind: "failed" };

export interface Clip {
  readonly state: ClipState;
  readonly make: (asked: ClipAsked, name: string) => void;
  readonly stop: () => void;
}

/** Makes a clip in a worker, which can be stopped, and saves it. */
export function useClip(): Clip {
  const [state, setState] = useState<ClipState>({ kind: "none" });
  const worker = useRef<Worker | null>(null);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => end, []);
  return {
    state,
    stop: () => {
      end();
      setState({ kind: "none" });
    },
    make: (asked, name) => {
      end();
      const made = new Worker(new URL("./clip.worker.ts", import.meta.url), { type: "module" });
      worker.current = made;
      setState({ kind: "making", share: 0 });
      const fail = () => worker.current === made && setState({ kind: "failed" });
      made.addEventListener("error", fail);
      const onDone = (share: number) => worker.current === made && setState({ kind: "making", share });
      wrap<ClipWorker>(made)
        .gif(asked, proxy(onDone))
        .then(({ bytes, isCut }) => {
          if (worker.current !== made) return;
          saveFile(name, bytes, "image/gif");
          setState({ kind: "saved", name, isCut });
          end();
        }, fail);
    },
  };
}
