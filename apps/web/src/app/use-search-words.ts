import { useSearchParams } from "react-router";
import { currentParams } from "./current-params.js";
import { useTyped } from "./use-typed.js";

/** What is typed into a screen's search, kept in its address too. */
export function useSearchWords(): readonly [string, (words: string) => void] {
  const [params, setParams] = useSearchParams();
  const { value, type } = useTyped(params.get("find") ?? "", (words) =>
    setParams(
      () => {
        const changed = currentParams();
        if (words === "") changed.delete("find");
        else changed.set("find", words);
        return changed;
      },
      { replace: true },
    ),
  );
  return [value, type];
}
