/** How the tries of a set are counted. */
export const COUNTINGS = ["tap", "tempo", "handle", "partner", "hand"] as const;
export type Counting = (typeof COUNTINGS)[number];

export const COUNTING_NAMES: Readonly<Record<Counting, string>> = {
  tap: "tap each try",
  tempo: "by itself, at the tempo",
  handle: "by the rope’s handle",
  partner: "a partner counts",
  hand: "typed in afterwards",
};
