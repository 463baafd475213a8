import { useStateHistory } from "@mantine/hooks";
import { useSearchParams } from "react-router";
import { addressOfAsked, askedFrom, type PlanAsked } from "./plan-asked.js";

/** What is asked of the plan, in the page's address; each change can be taken back and done again. */
export function useAsked() {
  const [params, setParams] = useSearchParams();
  const [, moves, { history, current }] = useStateHistory(params.toString());
  const go = (address: string) => setParams(new URLSearchParams(address), { replace: true });
  const by = (steps: -1 | 1, move: () => void) => {
    const address = history[current + steps];
    return address === undefined
      ? null
      : () => {
          move();
          go(address);
        };
  };
  return {
    asked: askedFrom(params),
    ask: (next: PlanAsked) => {
      const address = addressOfAsked(next).toString();
      if (address === params.toString()) return;
      moves.set(address);
      go(address);
    },
    undo: by(-1, () => moves.back()),
    redo: by(1, () => moves.forward()),
  };
}
