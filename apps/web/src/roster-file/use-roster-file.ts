import { proxy, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { ReaderWorker } from "./reader.worker.js";
import type { ReadRoster } from "./roster-file.js";

export type FileState =
  | { readonly kind: "none" }
  | { readonly kind: "reading"; readonly share: number }
  | { readonly kind: "failed"; readonly message: string }
  | {
      readonly kind: "read";
      readonly roster: ReadRoster & { readonly encoding: string };
      readonly name: string;
    };

/** Reads a chosen file in a worker; choosing another one, or stopping, ends the work. */
export function useRosterFile() {
  const [state, setState] = useState<FileState>({ kind: "none" });
  const worker = useRef<Worker>(undefined);
  const end = () => {
    worker.current?.terminate();
    worker.current = undefined;
  };
  useEffect(() => end, []);
  const read = async (file: File, known: Promise<readonly string[]>) => {
    end();
    setState({ kind: "reading", share: 0 });
    const started = new Worker(new URL("./reader.worker.ts", import.meta.url), { type: "module" });
    worker.current = started;
    try {
      const onProgress = proxy((done: number, all: number) =>
        setState({ kind: "reading", share: done / all }),
      );
      const [bytes, names] = await Promise.all([file.arrayBuffer(), known]);
      const roster = await wrap<ReaderWorker>(started).read(bytes, names, onProgress);
      setState({ kind: "read", roster, name: file.name });
    } catch {
      setState({
        kind: "failed",
        message:
          "The file could not be read. Save it as CSV, or as a spreadsheet (.xlsx), and choose it again.",
      });
    } finally {
      started.terminate();
    }
  };
  const forget = () => {
    end();
    setState({ kind: "none" });
  };
  return { state, read, forget };
}
