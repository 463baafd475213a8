import { MAX_PREVIEW, type Items, type PreviewItem, type StudentView } from "@mirrup/contract";
import type { SchoolId } from "@mirrup/core";
import { useRef, useState } from "react";
import { post } from "../app/api.js";

export type PreviewState =
  | { readonly kind: "none" }
  | { readonly kind: "reading"; readonly share: number }
  | { readonly kind: "failed"; readonly message: string }
  | { readonly kind: "read"; readonly school: SchoolId; readonly items: readonly PreviewItem[] };

/** What a school would change for all students: read in parts, so that it shows how far it is and can be stopped. */
export function usePreview() {
  const [state, setState] = useState<PreviewState>({ kind: "none" });
  const run = useRef(0);
  const stop = () => {
    run.current += 1;
    setState({ kind: "none" });
  };
  const preview = async (school: SchoolId, studentsOf: () => Promise<readonly StudentView[]>) => {
    run.current += 1;
    const own = run.current;
    const isStopped = () => run.current !== own;
    const items: PreviewItem[] = [];
    setState({ kind: "reading", share: 0 });
    try {
      const students = await studentsOf();
      for (let from = 0; from < students.length && !isStopped(); from += MAX_PREVIEW) {
        const part = students.slice(from, from + MAX_PREVIEW).map((student) => student.id);
        const reply = await post<Items<PreviewItem>>("/studio/preview", { school, students: part });
        items.push(...reply.items);
        if (!isStopped()) setState({ kind: "reading", share: (from + part.length) / students.length });
      }
      if (!isStopped()) setState({ kind: "read", school, items });
    } catch (error) {
      const message = error instanceof Error ? error.message : "The preview could not be made.";
      if (!isStopped()) setState({ kind: "failed", message });
    }
  };
  return { state, preview, stop };
}
