import type { SideName } from "@mirrup/core";
import sheet from "./sheet.module.css";

export const SIDE_LETTERS: Readonly<Record<SideName, string>> = { left: "L", right: "R", whole: "" };

interface TickBoxProps {
  /** Who and what it is of. */
  readonly name: string;
  readonly side: SideName;
  readonly isTicked: boolean;
  readonly mayEdit: boolean;
  readonly onTick: () => void;
}

/** A box of a sheet that can be ticked by hand, and typed back. */
export function TickBox({ name, side, isTicked, mayEdit, onTick }: TickBoxProps) {
  return (
    <button
      type="button"
      className={sheet.box}
      aria-pressed={isTicked}
      aria-label={side === "whole" ? name : `${name}, ${side}`}
      disabled={!mayEdit}
      onClick={onTick}
    >
      {isTicked ? "✓" : SIDE_LETTERS[side]}
    </button>
  );
}
