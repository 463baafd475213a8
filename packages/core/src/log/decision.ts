/** What an instructor (or placement) decided about one skill and side; the reason is kept with it. */
export type Decision =
  /** Cleared by hand. It counts as the most that anything asks, unless `count` in a row is named. */
  | { readonly kind: "clear"; readonly count: number | null }
  /** Evidence counts anew from here. */
  | { readonly kind: "reopen" }
  /** Placement: an answer that was seen (a clean one clears), or what was taken as likely, unseen. */
  | { readonly kind: "place"; readonly answer: PlacementAnswer; readonly seen: boolean };

export const PLACEMENT_ANSWERS = ["clean", "nearly", "no"] as const;
export type PlacementAnswer = (typeof PLACEMENT_ANSWERS)[number];
