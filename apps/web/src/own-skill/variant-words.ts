import type { VariantKind } from "@mirrup/core/combos";

/** What is made of a trick, as a coach says it. */
export const VARIANT_NAMES: Readonly<Record<VariantKind, string>> = {
  "other-side": "The other side",
  direction: "The rope the other way",
  stepped: "Foot by foot",
  "one-foot": "On one foot",
  "more-turns": "One turn more",
  fused: "All in one jump",
  "closed-up": "Without the bounce between",
  held: "Held",
  "swing-in": "In by a side swing",
  "swing-out": "Out by a side swing",
};
