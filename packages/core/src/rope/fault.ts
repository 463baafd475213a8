/** What keeps a score from being legal (rope-model.md, Rules), in the order of the table. */
export const RULE_CODES = [
  "parse",
  "reach",
  "route",
  "layer",
  "no-pass",
  "leg",
  "weight",
  "facing",
  "catch",
  "slack",
  "direction",
] as const;
export type RuleCode = (typeof RULE_CODES)[number];

export interface RuleFault {
  readonly code: RuleCode;
  /** The expanded beat's index from 0; null for `parse`. */
  readonly beat: number | null;
  /** The turn's index in its beat; null for `parse`. */
  readonly turn: number | null;
  /** Offsets in the text, in UTF-16 units. */
  readonly from: number;
  readonly to: number;
  /** A sentence that a jumper understands. */
  readonly message: string;
}
