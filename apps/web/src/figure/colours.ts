/** The colours of a figure: what is left and right is as in the braid. */
import type { Part } from "@mirrup/core/figure";

export type Colours = Readonly<Record<Part | "ground" | "paper", string>>;

const NAMES: Readonly<Record<keyof Colours, string>> = {
  left: "--family-multiples",
  right: "--family-crosses",
  trunk: "--figure-trunk",
  head: "--figure-head",
  face: "--figure-trunk",
  shoe: "--ink",
  handle: "--ink",
  cord: "--figure-cord",
  floor: "--rule",
  ground: "--rule",
  paper: "--paper",
};

/** The colours as the page has them now, by day or by night. */
export function coloursOf(element: Element): Colours {
  const style = getComputedStyle(element);
  return Object.fromEntries(
    Object.entries(NAMES).map(([part, name]) => [part, style.getPropertyValue(name).trim()]),
  ) as Colours;
}
