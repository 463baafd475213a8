import { useState } from "react";
import { useSearchParams } from "react-router";

/**
 * What is typed into a screen's search, kept in its address too. The address changes in a
 * transition, a moment after the key; the field must not wait for it, or fast typing loses letters.
 */
export function useSearchWords(): readonly [string, (words: string) => void] {
  const [params, setParams] = useSearchParams();
  const [words, setWords] = useState(params.get("find") ?? "");
  const change = (typed: string) => {
    setWords(typed);
    setParams(
      (before) => {
        const changed = new URLSearchParams(before);
        if (typed === "") changed.delete("find");
        else changed.set("find", typed);
        return changed;
      },
      { replace: true },
    );
  };
  return [words, change];
}
