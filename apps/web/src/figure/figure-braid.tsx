import type { ComponentProps } from "react";
import { Braid } from "../braid/index.js";
import { Figure } from "./lazy-figure.js";

interface FigureBraidProps
  extends
    Pick<ComponentProps<typeof Braid>, "score" | "timing" | "dominant" | "label" | "misses">,
    Pick<ComponentProps<typeof Figure>, "name" | "whose" | "still"> {}

/** A score as its braid, and above it as it is jumped, in step. */
export function FigureBraid({ name, whose, still, ...braid }: FigureBraidProps) {
  const { score, timing } = braid;
  return (
    <Braid
      {...braid}
      above={(playhead) => (
        <Figure score={score} timing={timing} name={name} whose={whose} playhead={playhead} still={still} />
      )}
    />
  );
}
