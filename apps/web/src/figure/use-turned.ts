import { VIEWS, type View, type ViewName } from "@mirrup/core/figure";
import { useCallback, useState, type KeyboardEvent, type PointerEvent } from "react";

const PER_PIXEL = 0.011;
const STEP = Math.PI / 12;
const HIGHEST = 1.45;
const LOWEST = -0.2;

export interface Turned {
  readonly view: View;
  /** The view by its name; null once it was turned by hand. */
  readonly named: ViewName | null;
  readonly look: (name: ViewName) => void;
  readonly turn: (around: number, above: number) => void;
  /** For the element that is dragged and that has the arrow keys. */
  readonly handlers: {
    readonly onPointerDown: (event: PointerEvent) => void;
    readonly onPointerMove: (event: PointerEvent) => void;
    readonly onKeyDown: (event: KeyboardEvent) => void;
  };
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, STEP],
  ArrowDown: [0, -STEP],
};

/** From where one looks: by name, by dragging, or by the arrow keys. */
export function useTurned(first: ViewName): Turned {
  const [at, setAt] = useState<{ readonly view: View; readonly named: ViewName | null }>({
    view: VIEWS[first],
    named: first,
  });
  const turn = useCallback(
    (around: number, above: number) =>
      setAt(({ view }) => ({
        view: {
          around: view.around + around,
          above: Math.min(HIGHEST, Math.max(LOWEST, view.above + above)),
        },
        named: null,
      })),
    [],
  );
  const look = useCallback((name: ViewName) => setAt({ view: VIEWS[name], named: name }), []);
  return {
    ...at,
    look,
    turn,
    handlers: {
      onPointerDown: (event) => event.currentTarget.setPointerCapture(event.pointerId),
      onPointerMove: (event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId))
          turn(-event.movementX * PER_PIXEL, event.movementY * PER_PIXEL);
      },
      onKeyDown: (event) => {
        const step = ARROWS[event.key];
        if (step === undefined) return;
        event.preventDefault();
        turn(...step);
      },
    },
  };
}
