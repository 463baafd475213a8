import { useEffect, useEffectEvent } from "react";

/** What each key does; one that is left out does nothing. */
export interface FloorKeys {
  readonly clean?: () => void;
  readonly miss?: () => void;
  readonly undo?: () => void;
  readonly next?: () => void;
  readonly pause?: () => void;
  readonly tempo?: () => void;
  readonly voice?: () => void;
  /** A key from 1 to 9, as a place from 0. */
  readonly number?: (place: number) => void;
}

const ACTIONS: Readonly<Record<string, Exclude<keyof FloorKeys, "number">>> = {
  " ": "clean",
  PageDown: "clean",
  m: "miss",
  PageUp: "miss",
  z: "undo",
  t: "tempo",
  v: "voice",
  p: "pause",
  Enter: "next",
};

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.matches("input, select, textarea, [role='radio']");
}

/** Enter works a button or link that has the focus; the floor's own Enter is for everywhere else. */
function worksByItself(event: KeyboardEvent): boolean {
  return event.key === "Enter" && event.target instanceof HTMLElement && event.target.matches("a, button");
}

/**
 * The floor's keys, a presenter's among them. A held key counts once, and Space never also presses
 * the button that has the focus.
 */
export function useFloorKeys(keys: FloorKeys): void {
  const act = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    if (/^[1-9]$/.test(event.key)) {
      if (event.type === "keydown" && !event.repeat) keys.number?.(Number(event.key) - 1);
      return;
    }
    const action = ACTIONS[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (action === undefined || worksByItself(event)) return;
    event.preventDefault();
    if (event.type === "keydown" && !event.repeat) keys[action]?.();
  });
  useEffect(() => {
    const listener = (event: KeyboardEvent) => act(event);
    window.addEventListener("keydown", listener);
    window.addEventListener("keyup", listener);
    return () => {
      window.removeEventListener("keydown", listener);
      window.removeEventListener("keyup", listener);
    };
  }, []);
}
